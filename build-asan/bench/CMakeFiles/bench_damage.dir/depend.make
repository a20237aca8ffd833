# Empty dependencies file for bench_damage.
# This may be replaced when dependencies are built.
