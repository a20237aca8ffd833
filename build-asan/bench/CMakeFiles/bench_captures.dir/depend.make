# Empty dependencies file for bench_captures.
# This may be replaced when dependencies are built.
