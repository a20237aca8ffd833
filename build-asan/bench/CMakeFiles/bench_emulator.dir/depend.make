# Empty dependencies file for bench_emulator.
# This may be replaced when dependencies are built.
