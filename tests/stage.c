#include "stage.h"

#include <string.h>

#include "harness.h"
#include "jadelamp/host/connect.h"
#include "kinds.h"

#define TFT_FORMATS                                                                                \
    { &jl_rgb565, &jl_rgb666, NULL }

const struct make makes[MAKES] = {
    {"st7735 128x160 strapped", &jl_st7735_128x160, &jl_emulated_st7735, 128, 160, 0, 0, 128, 160,
     JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR, 15151515, 66, TFT_FORMATS, false,
     NULL},
    {"st7735 128x160 offset", &jl_st7735, &jl_emulated_st7735, 128, 160, 2, 1, 0, 0,
     JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR, 15151515, 66, TFT_FORMATS, false,
     NULL},
    {"st7735 128x128", &jl_st7735_132x132, &jl_emulated_st7735, 128, 128, 2, 1, 132, 132,
     JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR, 15151515, 66, TFT_FORMATS, false,
     NULL},
    {"st7735 80x160", &jl_st7735, &jl_emulated_st7735, 80, 160, 26, 1, 0, 0,
     JL_MODULE_BGR | JL_MODULE_IPS, 15151515, 66, TFT_FORMATS, false, NULL},
    {"st7735 80x160 strapped", &jl_st7735_128x160, &jl_emulated_st7735, 80, 160, 24, 0, 128, 160,
     JL_MODULE_BGR | JL_MODULE_IPS, 15151515, 66, TFT_FORMATS, false, NULL},
    {"st7789 240x240", &jl_st7789, &jl_emulated_st7789, 240, 240, 0, 0, 0, 0, JL_MODULE_IPS,
     15151515, 66, TFT_FORMATS, false, NULL},
    {"st7789 240x320", &jl_st7789, &jl_emulated_st7789, 240, 320, 0, 0, 0, 0, JL_MODULE_IPS,
     15151515, 66, TFT_FORMATS, false, NULL},
    {"st7789 135x240", &jl_st7789, &jl_emulated_st7789, 135, 240, 52, 40, 0, 0, JL_MODULE_IPS,
     15151515, 66, TFT_FORMATS, false, NULL},
    {"st7789 170x320", &jl_st7789, &jl_emulated_st7789, 170, 320, 35, 0, 0, 0, JL_MODULE_IPS,
     15151515, 66, TFT_FORMATS, false, NULL},
    {"ili9341 240x320", &jl_ili9341, &jl_emulated_ili9341, 240, 320, 0, 0, 0, 0,
     JL_MODULE_MIRROR_X | JL_MODULE_BGR, 10000000, 66, TFT_FORMATS, false, NULL},
    {"ili9488 320x480",
     &jl_ili9488,
     &jl_emulated_ili9488,
     320,
     480,
     0,
     0,
     0,
     0,
     JL_MODULE_MIRROR_X | JL_MODULE_BGR,
     15151515,
     30,
     {&jl_rgb666, NULL, NULL},
     false,
     NULL},
    {"st7796 320x480", &jl_st7796, &jl_emulated_st7796, 320, 480, 0, 0, 0, 0,
     JL_MODULE_MIRROR_X | JL_MODULE_BGR, 15151515, 66, TFT_FORMATS, false, NULL},
    {"ili9163 128x128", &jl_ili9163_128x160, &jl_emulated_ili9163, 128, 128, 0, 0, 128, 160,
     JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR, 15151515, 100, TFT_FORMATS, false,
     NULL},
    {"ili9163 128x160", &jl_ili9163, &jl_emulated_ili9163, 128, 160, 2, 1, 0, 0,
     JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR, 15151515, 100, TFT_FORMATS, false,
     NULL},
    {"ili9225 176x220",
     &jl_ili9225,
     &jl_emulated_ili9225,
     176,
     220,
     0,
     0,
     0,
     0,
     0,
     20000000,
     100,
     {&jl_rgb565, NULL, NULL},
     false,
     NULL},
    {"gc9107 128x128", &jl_gc9107, &jl_emulated_gc9107, 128, 128, 2, 1, 0, 0, JL_MODULE_BGR,
     62500000, 0, TFT_FORMATS, false, NULL},
    {"hx8357 320x480", &jl_hx8357, &jl_emulated_hx8357, 320, 480, 0, 0, 0, 0,
     JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y, 15151515, 66, TFT_FORMATS, false, NULL},
    {"gc9a01 240x240", &jl_gc9a01, &jl_emulated_gc9a01, 240, 240, 0, 0, 0, 0,
     JL_MODULE_IPS | JL_MODULE_BGR, 100000000, 66, TFT_FORMATS, true, NULL},
    {"ssd1351 128x128",
     &jl_ssd1351,
     &jl_emulated_ssd1351,
     128,
     128,
     0,
     0,
     0,
     0,
     0,
     20000000,
     300,
     {&jl_rgb565, &jl_rgb666_low, NULL},
     false,
     NULL},
    {"ssd1331 96x64",
     &jl_ssd1331,
     &jl_emulated_ssd1331,
     96,
     64,
     0,
     0,
     0,
     0,
     0,
     6600000,
     130,
     {&jl_rgb565, &jl_rgb332, NULL},
     false,
     NULL},
    {"ssd1325 128x64",
     &jl_ssd1325,
     &jl_emulated_ssd1325,
     128,
     64,
     0,
     0,
     0,
     0,
     0,
     4000000,
     300,
     {&jl_grey4, NULL, NULL},
     false,
     NULL},
    {"ssd1325 128x80",
     &jl_ssd1325,
     &jl_emulated_ssd1325,
     128,
     80,
     0,
     0,
     0,
     0,
     0,
     4000000,
     300,
     {&jl_grey4, NULL, NULL},
     false,
     NULL},
    {"ssd1327 128x128",
     &jl_ssd1327,
     &jl_emulated_ssd1327,
     128,
     128,
     0,
     0,
     0,
     0,
     0,
     10000000,
     300,
     {&jl_grey4, NULL, NULL},
     false,
     NULL},
    {"ssd1327 96x96",
     &jl_ssd1327,
     &jl_emulated_ssd1327,
     96,
     96,
     16,
     0,
     0,
     0,
     0,
     10000000,
     300,
     {&jl_grey4, NULL, NULL},
     false,
     NULL},
    {"ssd1322 256x64",
     &jl_ssd1322,
     &jl_emulated_ssd1322,
     256,
     64,
     112,
     0,
     0,
     0,
     0,
     10000000,
     300,
     {&jl_grey4, NULL, NULL},
     false,
     NULL},
};

static uint16_t memory[2][STAGE_BYTES / 2]; /* aligned for 16-bit buses */

const struct make *make_named(const char *name) {
    for (int i = 0; i < MAKES; i++) {
        if (strcmp(makes[i].name, name) == 0) {
            return &makes[i];
        }
    }
    EXPECT(false);
    return &makes[0];
}

void stage_open(struct stage *stage, const struct make *make, const struct wish *wish) {
    uint8_t module = make->module ^ wish->module_change;
    *stage = (struct stage){.board = jl_board_create(44)};
    stage->config = (struct jl_panel_config){
        .controller = make->controller,
        .bus = wish->bus   ? wish->bus
               : make->bus ? make->bus
                           : &jl_bus_spi,
        .format = wish->format,
        .width = (int16_t)make->width,
        .height = (int16_t)make->height,
        .column_offset = (int16_t)make->x,
        .row_offset = (int16_t)make->y,
        .i2c_address = 0x3C,
        .module = module | JL_MODULE_RESET_WIRED,
        .turn = wish->turn,
        .inverted = wish->inverted,
        .motion = wish->motion,
    };
    struct jl_glass glass = jl_glass_described(&stage->config, JL_GLASS_TFT);
    glass.round = make->round;
    glass.ram_width = make->ram_width;
    glass.ram_height = make->ram_height;
    stage->device = jl_board_add_device(stage->board, make->emulator, make->name, &glass);
    EXPECT(stage->device != NULL);
    jl_device_intend(stage->device, wish->turn & JL_TURN_MIRROR, wish->inverted);
    stage->sim.board = stage->board;
    EXPECT(jl_connect(&stage->sim, stage->device,
                      &(struct jl_connection){.bus = stage->config.bus->kind,
                                              .i2c_address = 0x3C,
                                              .clock_hz = wish->clock_hz ? wish->clock_hz
                                                          : stage->config.bus->kind == JL_BUS_I2C
                                                              ? 400000
                                                              : make->clock_hz,
                                              .cycle_ns = make->cycle_ns,
                                              .overhead_ns = wish->overhead_ns}));
    stage->port =
        (struct jl_port){.ops = wish->ops ? wish->ops : &jl_sim_port_ops, .context = &stage->sim};
    EXPECT_INT(jl_panel_open(&stage->panel, &stage->config, &stage->port), JL_OK);
}

void stage_close(struct stage *stage) {
    jl_board_destroy(stage->board);
}

struct jl_frame stage_frame(struct stage *stage, int which) {
    struct jl_frame frame;
    bool on_side = (stage->config.turn & 1) != 0;
    int16_t width = on_side ? stage->config.height : stage->config.width;
    int16_t height = on_side ? stage->config.width : stage->config.height;
    EXPECT_INT(jl_frame_init(&frame, stage->panel.format, width, height, memory[which],
                             sizeof memory[which]),
               JL_OK);
    return frame;
}

struct jl_picture stage_look(struct stage *stage) {
    struct jl_picture picture;
    jl_board_wait_ps(stage->board, 200000000000u);
    EXPECT(jl_device_picture(stage->device, &picture));
    return picture;
}

void stage_expect_content(struct stage *stage) {
    const struct jl_diagnostic *list;
    for (size_t i = jl_board_diagnostics(stage->board, &list); i > 0; i--) {
        if (list[i - 1].severity != JL_SEVERITY_NOTE) {
            EXPECT_TEXT(list[i - 1].text, "no complaint");
        }
    }
}

void stage_expect_complaint(struct stage *stage, const char *text) {
    const struct jl_diagnostic *list;
    const char *seen = "";
    int complaints = 0;
    size_t count = jl_board_diagnostics(stage->board, &list);
    for (size_t i = 0; i < count; i++) {
        if (list[i].severity != JL_SEVERITY_NOTE) {
            seen = complaints++ ? seen : list[i].text;
        }
    }
    EXPECT_INT(complaints, 1);
    EXPECT_CONTAINS(seen, text);
}

/* A quarter turn clockwise moves what is at (x, y) of a picture `high` rows high. */
static void turn_clockwise(int *x, int *y, int high) {
    int before = *x;
    *x = high - 1 - *y;
    *y = before;
}

struct jl_picture stage_expected(const struct stage *stage, const struct jl_frame *frame,
                                 const struct make *make) {
    struct jl_picture picture;
    const struct kind *kind = kind_of(frame->format);
    int w = frame->target.bounds.w, h = frame->target.bounds.h;
    EXPECT(jl_picture_create(&picture, make->width, make->height));
    for (int y = 0; y < h; y++) {
        for (int x = 0; x < w; x++) {
            int glass_x = stage->config.turn & JL_TURN_MIRROR ? w - 1 - x : x, glass_y = y;
            for (int quarter = 0; quarter < (stage->config.turn & 3); quarter++) {
                turn_clockwise(&glass_x, &glass_y, quarter % 2 ? w : h);
            }
            jl_color c = kind->see(frame->pixels, w, h, x, y);
            /* Visible when the middle of the pixel is inside the circle, in half pixels. */
            int from_x = 2 * glass_x + 1 - make->width, from_y = 2 * glass_y + 1 - make->height;
            if (make->round && from_x * from_x + from_y * from_y > make->width * make->width) {
                c = JL_BLACK;
            }
            uint8_t *at = jl_picture_at(&picture, glass_x, glass_y);
            at[0] = (uint8_t)(c >> 16);
            at[1] = (uint8_t)(c >> 8);
            at[2] = (uint8_t)c;
        }
    }
    return picture;
}

bool stage_lit(const struct jl_picture *picture, int x, int y) {
    return jl_picture_at(picture, x, y)[0] != 0;
}

void stage_expect_shown(struct stage *stage, const struct make *make,
                        const struct jl_frame *frame) {
    struct jl_picture expected = stage_expected(stage, frame, make);
    struct jl_picture seen = stage_look(stage);
    EXPECT_PICTURE(&seen, &expected, make->name);
    jl_picture_free(&seen);
    jl_picture_free(&expected);
}
