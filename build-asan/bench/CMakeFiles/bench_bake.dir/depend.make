# Empty dependencies file for bench_bake.
# This may be replaced when dependencies are built.
