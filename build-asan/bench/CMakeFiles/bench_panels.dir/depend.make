# Empty dependencies file for bench_panels.
# This may be replaced when dependencies are built.
