# Empty dependencies file for bench_paper.
# This may be replaced when dependencies are built.
