# Jade Lamp from a fresh Debian machine. `make demo` and `make test` do everything;
# CMake is underneath (CMakeLists.txt).
BUILD ?= build
JOBS  ?= $(shell nproc)
MAKEFLAGS += --no-print-directory

.PHONY: all proof fonts demo test bench lint firmware cost small-int screenshots clean help

help:
	@echo "make demo        build and run the harbour of Heron Quay; pictures go to out/heron-quay"
	@echo "make test        build and run all tests; JADELAMP_THOROUGH=4 with more of the random cases, 1 with all"
	@echo "make bench       wire time, flash and RAM"
	@echo "make firmware    cross-build for Cortex-M0+ and print what it costs"
	@echo "make cost        flash, RAM and deepest stack of examples on four cores"
	@echo "make small-int   draw on an emulated processor of 16-bit int, and compare"
	@echo "make proof       all proofs of docs/quality.md: hours; PARTS=\"valgrind fuzz\" takes some"
	@echo "make lint        format, static analysis, layer rules"
	@echo "make screenshots refresh docs/screenshots"

all:
	@scripts/setup build
	@cmake -S . -B $(BUILD) $(CMAKE_FLAGS) > $(BUILD).log 2>&1 || { cat $(BUILD).log; exit 1; }
	@rm -f $(BUILD).log
	@cmake --build $(BUILD) -j $(JOBS)

demo: all
	$(BUILD)/jadelamp demo --into out/heron-quay

test:
	@scripts/setup build avr
	@$(MAKE) all
	cd $(BUILD) && ctest --output-on-failure -j $$(($(JOBS) + 1)) $(if $(JADELAMP_THOROUGH),-C thorough)

bench:
	@scripts/setup build bench firmware core
	@$(MAKE) all
	@$(BUILD)/bench/bench_wire
	@$(BUILD)/bench/bench_damage
	@$(BUILD)/bench/bench_panels
	@$(BUILD)/bench/bench_paper
	@$(BUILD)/bench/bench_instruments
	@$(BUILD)/bench/bench_scanout
	@$(BUILD)/bench/bench_flow
	@$(BUILD)/jadelamp demo --into out/heron-quay >/dev/null
	@$(BUILD)/bench/bench_bake out/heron-quay/tide-board-photo.png
	@$(BUILD)/bench/bench_captures
	@$(BUILD)/bench/bench_emulator
	@$(BUILD)/bench/bench_draw
	@scripts/bench-instructions $(BUILD)
	@MODULES=yes scripts/firmware $(BUILD)/firmware
	@scripts/bench-screens $(BUILD) $(BUILD)/firmware
	@scripts/bench-core $(BUILD)/firmware

firmware:
	@scripts/setup firmware
	@scripts/firmware $(BUILD)/firmware

cost: all
	@scripts/setup firmware core avr riscv
	@scripts/cost-table $(BUILD)

small-int: all
	@scripts/setup avr
	@scripts/check-small-int "$(abspath $(BUILD))/tests/small_int" $(BUILD)/avr

proof:
	@scripts/proof $(BUILD)/proof $(PARTS)

lint: all
	@scripts/setup lint
	@scripts/lint $(BUILD)

fonts:
	@for font in 6x8 3x5 5x7 5x7_greek_cyrillic 8x13 digits28 icons12; do scripts/font-from-art $$font > src/draw/font_$$font.c || exit 1; done
	@for rom in a00 a02 8x16; do scripts/font-from-art rom_$$rom > sim/controllers/char_rom_$$rom.c || exit 1; done

screenshots: all
	@scripts/screenshots $(BUILD)

clean:
	rm -rf $(BUILD) out
