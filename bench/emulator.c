/*
 * How fast the board itself is on this machine: pictures of 320x240 replayed into an emulated
 * controller, on one core. For orientation; nothing depends on it.
 */
#include <stdio.h>
#include <string.h>
#include <time.h>

#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"

enum { BYTES = 320 * 240 * 2, PICTURES = 300 };

static uint8_t pixels[BYTES];

static void replay(const char *name, const struct jl_emulated_part *ops, int lines, bool dma) {
    const uint8_t setup[] = {0x11, 0x29, 0x36, 0x3A, 0x2A, 0x2B, 0x2C};
    const struct jl_glass glass = {.width = 240, .height = 320, .kind = JL_GLASS_TFT};
    struct jl_board *board = jl_board_create(1);
    struct jl_stream_bus *bus =
        lines ? jl_board_add_8080(board, 66, 0, lines) : jl_board_add_spi(board, 10000000, 0, 0);
    struct jl_device *device = jl_board_add_device(board, ops, "tft", &glass);
    jl_stream_attach(bus, device);
    jl_device_set_pin(device, JL_DEVICE_CS, false);
    for (size_t i = 0; i < sizeof setup; i++) {
        /* Opcodes, on 16 lines a word each; then 3A's argument, on its side as 36 20. */
        const uint16_t opcode = setup[i];
        const uint16_t argument = setup[i] == 0x36 ? 0x20 : 0x55;
        const uint16_t ranges[2][4] = {{0, 0, 1, 0x3F}, {0, 0, 0, 0xEF}};
        jl_device_set_pin(device, JL_DEVICE_DC, false);
        jl_stream_write(bus, (const uint8_t *)&opcode, lines == 16 ? 2 : 1);
        jl_device_set_pin(device, JL_DEVICE_DC, true);
        for (size_t a = 0; setup[i] == 0x2A || setup[i] == 0x2B ? a < 4 : false; a++) {
            jl_stream_write(bus, (const uint8_t *)&ranges[setup[i] - 0x2A][a], lines == 16 ? 2 : 1);
        }
        if (setup[i] == 0x36 || setup[i] == 0x3A) {
            jl_stream_write(bus, (const uint8_t *)&argument, lines == 16 ? 2 : 1);
        }
        jl_board_wait_ps(board, 130000000000u);
    }
    clock_t start = clock();
    for (int i = 0; i < PICTURES; i++) {
        if (dma) {
            jl_stream_start(bus, pixels, BYTES);
            jl_stream_finish(bus);
        } else {
            jl_stream_write(bus, pixels, BYTES);
        }
    }
    double seconds = (double)(clock() - start) / CLOCKS_PER_SEC;
    printf("  %-40s %8.0f MB/s  %8.0f pictures of 320x240 a second\n", name,
           (double)BYTES * PICTURES / seconds / 1e6, PICTURES / seconds);
    jl_board_destroy(board);
}

int main(void) {
    for (int i = 0; i < BYTES; i++) {
        pixels[i] = (uint8_t)(i * 37 >> 3);
    }
    puts("The emulator on this machine, one core");
    replay("ili9341, SPI", &jl_emulated_ili9341, 0, false);
    replay("ili9341, SPI by DMA, memory watched", &jl_emulated_ili9341, 0, true);
    replay("ili9341, 8080 of 8 bits", &jl_emulated_ili9341, 8, false);
    replay("ili9341, 8080 of 16 bits", &jl_emulated_ili9341, 16, false);
    replay("st7789, SPI", &jl_emulated_st7789, 0, false);
    return 0;
}
