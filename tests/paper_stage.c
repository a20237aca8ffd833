/* An e-paper panel on the board. */
#include "paper_stage.h"

#include <stdlib.h>
#include <string.h>

#include "harness.h"

const struct paper_make paper_makes[] = {
    {"ssd1680 122x250", &jl_ssd1680, &jl_emulated_ssd1680, 122, 250, 0, 0, 0, false, NULL, NULL,
     &jl_ssd1680_grey_wave},
    {"ssd1680 128x296", &jl_ssd1680, &jl_emulated_ssd1680, 128, 296, 0, 0, 0, false, NULL, NULL,
     &jl_ssd1680_grey_wave},
    {"ssd1680 128x296 at 8,0, gates mirrored", &jl_ssd1680, &jl_emulated_ssd1680, 128, 290, 8, 3,
     JL_MODULE_MIRROR_Y, false, NULL, NULL, &jl_ssd1680_grey_wave},
    {"ssd1680 128x296 red", &jl_ssd1680, &jl_emulated_ssd1680, 128, 296, 0, 0, 0, true, NULL,
     &jl_ssd1680_black_white_wave, &jl_ssd1680_grey_wave},
    {"ssd1681 200x200", &jl_ssd1681, &jl_emulated_ssd1681, 200, 200, 0, 0, 0, false, NULL, NULL,
     &jl_ssd1680_grey_wave},
#define UC(name, part, width, height, x, y, module, red)                                           \
    {                                                                                              \
        name, &jl_##part, &jl_emulated_##part, width, height, x, y, module, red,                   \
            PARTIAL_OF_##part, &jl_uc8151_black_white_wave, &jl_uc8151_grey_wave                   \
    }
#define PARTIAL_OF_uc8151 &jl_uc8151_partial_wave
#define PARTIAL_OF_uc8176 &jl_uc8151_partial_wave
#define PARTIAL_OF_uc8179 NULL
    UC("uc8151 128x296", uc8151, 128, 296, 0, 0, 0, false),
    UC("uc8151 128x296 red", uc8151, 128, 296, 0, 0, 0, true),
    UC("uc8151 104x212", uc8151, 104, 212, 0, 0, 0, false),
    UC("uc8151 104x212 red, at 16,5, mirrored", uc8151, 104, 212, 16, 5,
       JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y, true),
    UC("uc8176 400x300", uc8176, 400, 300, 0, 0, 0, false),
    UC("uc8176 400x300 red", uc8176, 400, 300, 0, 0, JL_MODULE_MIRROR_X, true),
    UC("uc8179 800x480", uc8179, 800, 480, 0, 0, 0, false),
    UC("uc8179 800x480 red", uc8179, 800, 480, 0, 0, 0, true),
};
const size_t paper_make_count = sizeof paper_makes / sizeof paper_makes[0];

static uint8_t pixels[PAPER_BYTES];

struct paper_faults paper_faults = {-1, -1, false};

static jl_status send(void *context, const struct jl_transfer *transfer) {
    if (paper_faults.transfers >= 0 && paper_faults.transfers-- == 0) {
        return JL_BUS_ERROR;
    }
    return jl_sim_port_ops.send(context, transfer);
}

static void wait_us(void *context, uint32_t microseconds) {
    jl_sim_port_ops.wait_us(context, microseconds);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    jl_sim_port_ops.set_pin(context, pin, high);
}

static bool get_pin(void *context, enum jl_pin pin) {
    return paper_faults.stuck_busy >= 0
               ? paper_faults.stuck_busy != 0
               : jl_sim_port_ops.get_pin(context, pin) != paper_faults.inverted;
}

static uint32_t now_us(void *context) {
    return jl_sim_port_ops.now_us(context);
}

const struct jl_port_ops paper_faulty_ops = {
    .send = send, .wait_us = wait_us, .set_pin = set_pin, .get_pin = get_pin, .now_us = now_us};

void paper_open(struct paper_stage *stage, const struct paper_make *make,
                const struct paper_wish *wish) {
    static const struct paper_wish usual = {.format = NULL};
    wish = wish ? wish : &usual;
    memset(stage, 0, sizeof *stage);
    paper_faults.transfers = -1;
    paper_faults.stuck_busy = -1;
    stage->make = make;
    stage->board = jl_board_create(7);
    uint8_t module = make->module ^ wish->module_change;
    struct jl_glass glass = {.width = make->width,
                             .height = make->height,
                             .column_offset = make->x,
                             .row_offset = make->y,
                             .mirrored_x = (module & JL_MODULE_MIRROR_X) != 0,
                             .mirrored_y = (module & JL_MODULE_MIRROR_Y) != 0,
                             .kind = make->has_red ? JL_GLASS_PAPER_RED : JL_GLASS_PAPER};
    stage->device = jl_board_add_device(stage->board, make->emulator, "paper", &glass);
    stage->sim.board = stage->board;
    stage->sim.device = stage->device;
    stage->sim.stream = jl_board_add_spi(stage->board, 10000000, 0, 0);
    EXPECT(stage->device && jl_stream_attach(stage->sim.stream, stage->device));
    stage->port =
        (struct jl_port){.ops = wish->ops ? wish->ops : &jl_sim_port_ops, .context = &stage->sim};
    const struct jl_format *format = wish->format    ? wish->format
                                     : make->has_red ? &jl_black_white_red
                                                     : &jl_black_white;
    stage->paper = wish->paper;
    if (!stage->paper.partial_wave) {
        stage->paper.partial_wave = make->has_red ? make->red_partial_wave : make->partial_wave;
    }
    if (!stage->paper.full_wave && format == &jl_grey2_planes) {
        stage->paper.full_wave = make->grey_wave;
    }
    stage->config = (struct jl_panel_config){
        .controller = make->controller,
        .bus = &jl_bus_spi,
        .format = format,
        .width = (int16_t)make->width,
        .height = (int16_t)make->height,
        .column_offset = (int16_t)make->x,
        .row_offset = (int16_t)make->y,
        .module = (uint8_t)(module | (wish->without_reset ? 0 : JL_MODULE_RESET_WIRED)),
        .epaper = &stage->paper};
    EXPECT_INT(jl_panel_open(&stage->panel, &stage->config, &stage->port), JL_OK);
    if (!wish->without_policy) {
        EXPECT_INT(jl_epaper_begin(&stage->epaper, &stage->panel), JL_OK);
    }
    EXPECT_INT(jl_panel_wake(&stage->panel), JL_OK);
    EXPECT_INT(jl_panel_frame(&stage->panel, &stage->frame, pixels, sizeof pixels), JL_OK);
    jl_frame_track(&stage->frame, &stage->damage);
}

void paper_close(struct paper_stage *stage) {
    jl_board_destroy(stage->board);
}

void paper_expect_shown(struct paper_stage *stage, const struct jl_frame *frame, bool loose) {
    struct jl_picture glass;
    int wrong = 0, most = loose ? 127 : stage->panel.format == &jl_grey2_planes ? 12 : 2;
    if (!EXPECT(jl_device_picture(stage->device, &glass))) {
        return;
    }
    for (int y = 0; y < stage->make->height; y++) {
        for (int x = 0; x < stage->make->width; x++) {
            jl_color color;
            frame->target.ops->get(&frame->target, (int16_t)x, (int16_t)y, 1, &color);
            const uint8_t *at = jl_picture_at(&glass, x, y);
            wrong += abs(at[0] - (int)jl_color_red(color)) > most ||
                     abs(at[1] - (int)jl_color_green(color)) > most ||
                     abs(at[2] - (int)jl_color_blue(color)) > most;
        }
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&glass);
}

int paper_complaints_about(struct paper_stage *stage, const char *text) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(stage->board, &list);
    int complaints = 0;
    for (size_t i = 0; i < count; i++) {
        bool counts = list[i].severity != JL_SEVERITY_NOTE && strstr(list[i].text, text) != NULL;
        complaints += counts ? (int)list[i].count : 0;
    }
    return complaints;
}

int paper_complaints(struct paper_stage *stage) {
    return paper_complaints_about(stage, "");
}

void paper_expect_complaint(struct paper_stage *stage, const char *text) {
    test_check(paper_complaints_about(stage, text) > 0, __FILE__, __LINE__,
               "no diagnostic says \"%s\"", text);
}

void paper_draw(struct jl_frame *frame, unsigned step) {
    static const jl_color colors[] = {JL_BLACK, JL_WHITE, JL_RED, JL_GREY(85), JL_GREY(170)};
    struct jl_target *target = &frame->target;
    jl_color ink = colors[step % 5], other = colors[(step / 5 + 1) % 5];
    int16_t x = (int16_t)(step * 37 % 90), y = (int16_t)(step * 53 % 180);
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = ink, .paper = other};
    jl_fill_rect(target, (struct jl_rect){x, y, (int16_t)(5 + step % 30), 11}, ink);
    jl_draw_line(target, x, 0, 3, y, other);
    jl_text(target, x, (int16_t)(y + 12), "12:47", &style);
}
