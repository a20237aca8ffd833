# Empty dependencies file for bench_instruments.
# This may be replaced when dependencies are built.
