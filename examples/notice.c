/*
 * A notice in three scripts, each from a font with just its characters, under a picture and
 * beside an animation. All of it was baked by the build (examples/CMakeLists.txt).
 */
#include "example.h"

#include "notice_boat.h"
#include "notice_buoy.h"
#include "notice_cjk.h"
#include "notice_cyrillic.h"
#include "notice_icons.h"
#include "notice_latin.h"

static const struct jl_panel_config tft = {
    .controller = &jl_st7735_128x160,
    .bus = &jl_bus_spi,
    .width = 128,
    .height = 160,
    .module = JL_MODULE_RESET_WIRED | JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR,
};

static uint8_t pixels[JL_RGB565_BYTES(128, 160)];

/* A text and what its font costs. */
static void put_line(struct jl_target *target, int16_t y, const char *text, int32_t bytes) {
    static const struct jl_font *const others[] = {&notice_cyrillic, &notice_cjk, &notice_icons,
                                                   NULL};
    static const struct jl_text_style large = {
        .font = &notice_latin, .ink = JL_WHITE, .paper = JL_NAVY, .fallbacks = others};
    static const struct jl_text_style small = {
        .font = &jl_font_3x5, .ink = JL_SILVER, .paper = JL_NAVY};
    jl_text(target, 4, y, text, &large);
    char number[JL_FORMAT_BYTES];
    jl_format_int(number, sizeof number, bytes, 0, ' ');
    jl_text_at(target, 126, (int16_t)(y - 7), JL_ANCHOR_RIGHT | JL_ANCHOR_TOP, number, &small);
}

static void draw(struct jl_target *target) {
    jl_fill_rect(target, (struct jl_rect){0, 0, 128, 160}, JL_NAVY);
    jl_draw_image(target, 0, 0, &notice_boat);
    put_line(target, 74, "Lock shut \uE00A", notice_latin_bytes);
    put_line(target, 100, "Шлюз закрыт", notice_cyrillic_bytes);
    put_line(target, 126, "船闸关闭", notice_cjk_bytes);
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    struct jl_player buoy;
    uint32_t now_ms = 0;
    jl_status status = jl_frame_init(&frame, &jl_rgb565, 128, 160, pixels, sizeof pixels);
    if (status == JL_OK) {
        jl_frame_track(&frame, &damage);
        status = jl_panel_open(&panel, &tft, port);
    }
    if (status == JL_OK) {
        status = jl_panel_wake(&panel);
    }
    draw(&frame.target);
    jl_player_begin(&buoy, &notice_buoy, now_ms, false);
    for (int picture = 0; picture < 12 && status == JL_OK; picture++) {
        jl_player_poll(&buoy, &frame.target, 72, 12, now_ms);
        status = jl_panel_present(&panel, &frame);
        uint32_t left_ms = jl_player_left(&buoy, now_ms);
        port->ops->wait_us(port->context, left_ms * 1000);
        now_ms += left_ms;
    }
    return status;
}
