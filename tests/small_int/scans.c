/* Scan-out on processors of 16-bit and 32-bit int: sums, two frames, and line buffers. */
#include "cases.h"

#include "jadelamp/jadelamp.h"

enum { W = 40, H = 24 };

static uint16_t first[W * H], second[W * H];
static const void *shown;
static struct jl_scanout_lines *scanned;

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    (void)t;
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

static void show(void *context, const void *pixels) {
    (void)context;
    shown = pixels;
}

static bool is_shown(void *context) {
    (void)context;
    return true;
}

static void take_lines(void *context, struct jl_scanout_lines *lines) {
    (void)context;
    scanned = lines;
}

static const struct jl_scanout_ops scanout = {
    .show = show, .is_shown = is_shown, .lines = take_lines};
static const struct jl_port_ops ops = {.send = send, .wait_us = wait_us, .scanout = &scanout};
static const struct jl_port port = {.ops = &ops};

static void sums(void) {
    static const struct jl_scanout_config glass[] = {
        {480, 272, 9000000, 0, 0, {41, 2, 2}, {10, 2, 2}, 0, 24},
        {800, 480, 33300000, 0, 0, {20, 26, 210}, {10, 13, 22}, 0, 24},
        {1024, 600, 51200000, 0, 0, {20, 140, 160}, {3, 20, 12}, 0, 18},
        {32000, 30000, 1000000000, 0, 0, {1, 30000, 3000}, {1, 30000, 5000}, 0, 16},
        {32000, 30000, 4000000000, 0, 0, {1, 30000, 3000}, {1, 30000, 5000}, 0, 16}};
    for (uint8_t i = 0; i < 5; i++) {
        for (uint8_t bits = 8; bits <= 32; bits = (uint8_t)(bits + 8)) {
            struct jl_scanout_sums s = {0, 0, 0, 0, 0, 0, 0};
            uint8_t status = (uint8_t)jl_scanout_sums(&glass[i], bits, &s);
            const uint32_t numbers[] = {status,    s.line_clocks,  s.picture_lines, s.refresh_mhz,
                                        s.line_ns, s.mean_bytes_s, s.peak_bytes_s,  s.frame_bytes};
            for (uint8_t k = 0; k < 8; k++) {
                const uint8_t bytes[4] = {(uint8_t)numbers[k], (uint8_t)(numbers[k] >> 8),
                                          (uint8_t)(numbers[k] >> 16), (uint8_t)(numbers[k] >> 24)};
                emit(bytes, sizeof bytes);
            }
        }
    }
}

static void draw(struct jl_target *target, int16_t at) {
    jl_fill_circle(target, at, 12, 9, JL_RED);
    jl_draw_line(target, 0, at, 39, (int16_t)(23 - at), JL_WHITE);
    jl_stroke_rect(target, (struct jl_rect){0, 0, W, H}, JL_LIME);
}

static void draw_rows(void *context, struct jl_target *target) {
    jl_clear(target, JL_BLUE);
    draw(target, *(const int16_t *)context);
}

void run_scans(void) {
    static const struct jl_scanout_config small = {W, H, 100000, 0, 0, {4, 4, 4}, {2, 2, 2}, 0, 16};
    struct jl_scanout scan;
    struct jl_scanout_lines lines;
    int16_t at = 17;
    sums();
    if (jl_scanout_open(&scan, &small, &port, &jl_rgb565_cpu, first, second, sizeof first) ==
        JL_OK) {
        for (int16_t i = 0; i < 12; i++) {
            draw(&scan.frame.target, (int16_t)(3 * i));
            uint8_t status = (uint8_t)jl_scanout_present(&scan);
            emit(&status, 1);
            emit(shown, sizeof first);
            status = (uint8_t)jl_scanout_poll(&scan);
            emit(&status, 1);
        }
    }
    if (jl_scanout_lines_open(&lines, &small, &port, &jl_rgb565_cpu, 4, draw_rows, &at, first,
                              second, 4 * W * 2) == JL_OK) {
        for (uint8_t i = 0; i < 12; i++) {
            emit(scanned->buffers[i & 1], scanned->buffer_bytes);
            jl_scanout_refill(scanned);
        }
    }
    emit(END_MARK, sizeof END_MARK - 1);
}
