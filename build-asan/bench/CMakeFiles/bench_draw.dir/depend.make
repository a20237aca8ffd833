# Empty dependencies file for bench_draw.
# This may be replaced when dependencies are built.
