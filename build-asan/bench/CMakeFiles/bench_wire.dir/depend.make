# Empty dependencies file for bench_wire.
# This may be replaced when dependencies are built.
