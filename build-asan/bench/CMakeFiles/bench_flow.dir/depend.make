# Empty dependencies file for bench_flow.
# This may be replaced when dependencies are built.
