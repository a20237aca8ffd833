/*
 * Scan-out on the 800x480 card: what each way to keep pictures takes of memory, found on the
 * emulated peripheral by making memory slower until a pixel is late; and how fast the emulator is
 * on this machine.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/instruments.h"

enum { W = 800, H = 480 };
#define SECOND_PS 1000000000000u

static struct jl_card card;
static struct jl_rig rig;

static void must(bool good, const char *what) {
    if (!good) {
        fprintf(stderr, "bench_scanout: %s failed\n", what);
        exit(1);
    }
}

static void take_card(const struct jl_format *format, enum jl_card_buffers buffers, int rows) {
    struct jl_complaint complaint;
    must(jl_card_find("rgb-800x480", &card, &complaint), "the card");
    card.format = format;
    card.scanout.memory.buffers = buffers;
    card.scanout.memory.rows = (int16_t)rows;
}

static void open_rig(void) {
    struct jl_complaint complaint;
    must(jl_rig_open(&rig, &card, &complaint), "the board");
    must(jl_rig_wake(&rig) == JL_OK, "waking");
}

/* Whether all pixels come in time with what the card's memory gives. */
static bool in_time(void) {
    open_rig();
    jl_board_wait_ps(rig.board, SECOND_PS / 20);
    bool late = false;
    const struct jl_diagnostic *list;
    for (size_t i = jl_board_diagnostics(rig.board, &list); i > 0; i--) {
        late |= list[i - 1].severity == JL_SEVERITY_ERROR;
    }
    jl_rig_close(&rig);
    return !late;
}

/* The least of a number that is enough, to 0.1 MB/s. */
static double least(uint32_t *rate) {
    uint32_t few = 100000, enough = 1000000000;
    while (enough - few > 50000) {
        *rate = few + (enough - few) / 2;
        if (in_time()) {
            enough = *rate;
        } else {
            few = *rate;
        }
    }
    *rate = enough;
    return enough / 1e6;
}

static double read_in_a_second(void) {
    open_rig();
    jl_board_wait_ps(rig.board, SECOND_PS);
    double bytes = (double)jl_rgb_byte_count(rig.sim.rgb);
    jl_rig_close(&rig);
    return bytes / 1e6;
}

static void frames(const char *name, const struct jl_format *format, enum jl_card_buffers buffers) {
    double needs[3];
    static const uint32_t fifos[] = {64, 256, 2048};
    take_card(format, buffers, 0);
    double mean = read_in_a_second();
    for (int i = 0; i < 3; i++) {
        card.scanout.memory.fifo_bytes = fifos[i];
        needs[i] = least(&card.scanout.memory.bytes_s);
    }
    size_t bytes = (size_t)W * H * format->bits_per_pixel / 8 * (buffers == JL_BUFFERS_TWO ? 2 : 1);
    printf("| %s | %.0f KB | %.1f | %.1f | %.1f | %.1f | |\n", name, (double)bytes / 1024, mean,
           needs[0], needs[1], needs[2]);
}

static void line_buffers(const char *name, int rows) {
    take_card(&jl_rgb565_cpu, JL_BUFFERS_LINES, rows);
    double mean = read_in_a_second(), refill = least(&card.scanout.memory.refill_bytes_s);
    printf("| %s | %.0f KB fast | %.1f | | | | %.1f |\n", name, 2.0 * rows * W * 2 / 1024, mean,
           refill);
}

/* ---- what the library adds: the second buffer follows the first ---- */

static void follow(void) {
    static const struct jl_dial_face face = {.box = {200, 40, 400, 400},
                                             .theme = &jl_theme_night,
                                             .scale = {0, 100, NULL, 0},
                                             .start = JL_DEGREES(225),
                                             .sweep = JL_SWEEP(270),
                                             .major = 5};
    struct jl_dial dial = {.face = &face};
    take_card(&jl_rgb565_cpu, JL_BUFFERS_TWO, 0);
    open_rig();
    uint64_t pixels = 0;
    int pictures = 0;
    for (int value = 0; value <= 100; value++) {
        struct jl_frame *frame = jl_rig_frame(&rig);
        dial.value = value;
        jl_dial_redraw(&frame->target, &dial);
        for (uint8_t i = 0; i < frame->damage->count && value; i++) {
            pixels += (uint64_t)frame->damage->rects[i].w * (uint64_t)frame->damage->rects[i].h;
        }
        pictures += value > 0;
        must(jl_rig_present(&rig) == JL_OK, "present");
    }
    jl_rig_close(&rig);
    printf(
        "\nTwo frames are kept the same by copying what changed: a dial of 400x400 that moves by "
        "a hundredth\na picture copies %.1f KB of %d KB.\n",
        (double)pixels * 2 / pictures / 1024, W * H * 2 / 1024);
}

/* ---- the emulator ---- */

static void speed(const char *name, const struct jl_format *format, bool changes, uint32_t memory) {
    enum { PICTURES = 200 };
    take_card(format, JL_BUFFERS_ONE, 0);
    card.scanout.memory.bytes_s = memory;
    open_rig();
    uint8_t *pixels = jl_rig_frame(&rig)->pixels;
    size_t bytes = (size_t)W * H * format->bits_per_pixel / 8;
    clock_t start = clock();
    uint32_t first = jl_rgb_picture_count(rig.sim.rgb);
    for (int i = 0; i < PICTURES; i++) {
        if (changes) {
            memset(pixels, i * 7 + 1, bytes);
        }
        jl_board_wait_ps(rig.board, SECOND_PS / 60);
    }
    double seconds = (double)(clock() - start) / CLOCKS_PER_SEC;
    printf("  %-40s %8.0f pictures of 800x480 a second\n", name,
           (jl_rgb_picture_count(rig.sim.rgb) - first) / seconds);
    jl_rig_close(&rig);
}

int main(void) {
    puts("Memory that scan-out of 800x480 at 33.3 MHz takes, MB/s: on the mean; and the least that "
         "memory must give\nwith a FIFO of so many bytes, or an interrupt must write, until no "
         "pixel is late");
    puts("| kept as | memory | mean | FIFO 64 | 256 | 2048 | refill "
         "|\n|---|---|---|---|---|---|---|");
    frames("one frame, 5-6-5", &jl_rgb565_cpu, JL_BUFFERS_ONE);
    frames("two frames, 5-6-5", &jl_rgb565_cpu, JL_BUFFERS_TWO);
    frames("two frames, 8-8-8", &jl_rgb888, JL_BUFFERS_TWO);
    frames("two frames, 8-bit palette", &jl_palette8, JL_BUFFERS_TWO);
    line_buffers("line buffers of 1 row, 5-6-5", 1);
    line_buffers("line buffers of 8 rows, 5-6-5", 8);
    line_buffers("line buffers of 40 rows, 5-6-5", 40);
    follow();
    puts("\nThe emulated RGB bus on this machine, one core");
    speed("5-6-5, another picture each time", &jl_rgb565_cpu, true, 0);
    speed("5-6-5, the same picture", &jl_rgb565_cpu, false, 0);
    speed("8-8-8, another picture each time", &jl_rgb888, true, 0);
    speed("8-bit palette, another picture each time", &jl_palette8, true, 0);
    speed("5-6-5 with memory of 120 MB/s", &jl_rgb565_cpu, true, 120000000);
    return 0;
}
