/* Plain firmware code: a boat in sixteen colours, drawn back to front, and its papers. */
#include "berth_plate.h"

#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/shapes.h"
#include "jadelamp/text.h"

enum { WIDTH = 135, SKY_TOP = 44, WATER_TOP = 132, WATER_END = 164 };

enum color {
    NIGHT,
    PAPER,
    SKY_HIGH,
    SKY,
    SKY_LOW,
    SUN,
    HILL,
    HILL_NEAR,
    WATER,
    WATER_LIGHT,
    HULL,
    HULL_DARK,
    DECK,
    MAST,
    SAIL,
    SAIL_SHADE
};

const jl_color berth_palette[16] = {
    [NIGHT] = JL_RGB(10, 20, 36),      [PAPER] = JL_RGB(250, 246, 230),
    [SKY_HIGH] = JL_RGB(70, 130, 190), [SKY] = JL_RGB(120, 170, 210),
    [SKY_LOW] = JL_RGB(190, 210, 215), [SUN] = JL_RGB(255, 225, 120),
    [HILL] = JL_RGB(96, 128, 120),     [HILL_NEAR] = JL_RGB(60, 96, 76),
    [WATER] = JL_RGB(30, 84, 120),     [WATER_LIGHT] = JL_RGB(110, 160, 190),
    [HULL] = JL_RGB(190, 40, 40),      [HULL_DARK] = JL_RGB(120, 20, 30),
    [DECK] = JL_RGB(200, 150, 90),     [MAST] = JL_RGB(90, 60, 40),
    [SAIL] = JL_RGB(245, 240, 220),    [SAIL_SHADE] = JL_RGB(205, 195, 170)};

static jl_color color(enum color index) {
    return berth_palette[index];
}

static void shape(struct jl_target *t, const struct jl_point *points, uint16_t count,
                  enum color index) {
    jl_fill_polygon(t, points, count, color(index));
}

static void scenery(struct jl_target *t) {
    static const struct jl_point far_hill[] = {{0, 118},   {30, 104},  {62, 116}, {98, 100},
                                               {134, 112}, {134, 132}, {0, 132}};
    static const struct jl_point near_hill[] = {{70, 132}, {104, 116}, {134, 122}, {134, 132}};
    jl_fill_rect(t, (struct jl_rect){0, SKY_TOP, WIDTH, 30}, color(SKY_HIGH));
    jl_fill_rect(t, (struct jl_rect){0, SKY_TOP + 30, WIDTH, 26}, color(SKY));
    jl_fill_rect(t, (struct jl_rect){0, SKY_TOP + 56, WIDTH, 32}, color(SKY_LOW));
    jl_fill_circle(t, 108, 70, 11, color(SUN));
    shape(t, far_hill, 7, HILL);
    shape(t, near_hill, 4, HILL_NEAR);
    jl_fill_rect(t, (struct jl_rect){0, WATER_TOP, WIDTH, WATER_END - WATER_TOP}, color(WATER));
    for (int16_t y = WATER_TOP + 4; y < WATER_END; y = (int16_t)(y + 5)) {
        for (int16_t x = (int16_t)(y * 7 % 19 - 19); x < WIDTH; x = (int16_t)(x + 26)) {
            jl_draw_line(t, x, y, (int16_t)(x + 9), y, color(WATER_LIGHT));
        }
    }
}

/* A gaff cutter, seen from her port side. */
static void boat(struct jl_target *t) {
    static const struct jl_point main_sail[] = {{58, 62}, {84, 54}, {98, 122}, {58, 122}};
    static const struct jl_point gaff_shade[] = {{78, 56}, {84, 54}, {98, 122}, {88, 122}};
    static const struct jl_point jib[] = {{55, 60}, {55, 120}, {20, 124}};
    static const struct jl_point jib_shade[] = {{55, 92}, {55, 120}, {38, 122}};
    static const struct jl_point hull[] = {{14, 126}, {110, 126}, {102, 142}, {32, 142}};
    static const struct jl_point keel[] = {{24, 135}, {106, 135}, {102, 142}, {32, 142}};
    shape(t, main_sail, 4, SAIL);
    shape(t, gaff_shade, 4, SAIL_SHADE);
    shape(t, jib, 3, SAIL);
    shape(t, jib_shade, 3, SAIL_SHADE);
    jl_fill_rect(t, (struct jl_rect){56, 50, 2, 76}, color(MAST));
    jl_draw_wide_line(t, (struct jl_point){58, 122}, (struct jl_point){102, 121}, 2, color(MAST));
    jl_draw_line(t, 14, 126, 56, 54, color(MAST));
    shape(t, hull, 4, HULL);
    shape(t, keel, 4, HULL_DARK);
    jl_fill_rect(t, (struct jl_rect){15, 126, 95, 2}, color(DECK));
    jl_fill_rounded(t, (struct jl_rect){66, 118, 26, 8}, 2, color(DECK));
    jl_fill_rect(t, (struct jl_rect){70, 120, 5, 4}, color(NIGHT));
    jl_fill_rect(t, (struct jl_rect){82, 120, 5, 4}, color(NIGHT));
}

void berth_plate_draw(struct jl_target *target, const struct berth *berth) {
    struct jl_text_style title = {
        .font = &jl_font_digits28, .ink = color(PAPER), .paper = JL_CLEAR};
    struct jl_text_style name = {.font = &jl_font_8x13, .ink = color(PAPER), .paper = JL_CLEAR};
    struct jl_text_style plain = {.font = &jl_font_6x8, .ink = color(SKY_LOW), .paper = JL_CLEAR};
    char text[JL_FORMAT_BYTES];
    jl_clear(target, color(NIGHT));
    jl_text(target, 8, 14, "BERTH", &name);
    jl_text_at(target, 127, 8, JL_ANCHOR_RIGHT, berth->name, &title);
    scenery(target);
    if (!berth->boat[0]) {
        jl_text_at(target, 67, 190, JL_ANCHOR_CENTRE, "free", &name);
        return;
    }
    boat(target);
    jl_text_at(target, 67, 176, JL_ANCHOR_CENTRE, berth->boat, &name);
    jl_text(target, 8, 202, "length", &plain);
    jl_format_fixed(text, sizeof text, berth->length_cm, 2);
    jl_text_at(target, 127, 202, JL_ANCHOR_RIGHT, text, &plain);
    jl_text(target, 8, 218, "until", &plain);
    jl_text_at(target, 127, 218, JL_ANCHOR_RIGHT, berth->until, &plain);
}
