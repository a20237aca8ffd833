# Empty dependencies file for bench_scanout.
# This may be replaced when dependencies are built.
