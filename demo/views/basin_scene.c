/* Plain firmware code: a picture that is drawn, back to front, each time something moves. */
#include "basin_scene.h"

#include "jadelamp/draw.h"
#include "jadelamp/shapes.h"

enum { WALL = 34, GROUND = 196, SKY_END = 96, LEAST_CM = 100, MOST_CM = 320, GATE_HEIGHT = 110 };

#define SKY_TOP    JL_RGB(0x0B, 0x1B, 0x2E)
#define SKY_LOW    JL_RGB(0x54, 0x63, 0x7C)
#define HILL       JL_RGB(0x1C, 0x2F, 0x3A)
#define STONE      JL_RGB(0x5B, 0x62, 0x66)
#define STONE_DARK JL_RGB(0x3C, 0x44, 0x49)
#define WATER_TOP  JL_RGB(0x2A, 0x6E, 0x86)
#define WATER_LOW  JL_RGB(0x0F, 0x2C, 0x3C)
#define GATE       JL_RGB(0x7A, 0x4A, 0x2A)
#define GATE_DARK  JL_RGB(0x52, 0x30, 0x1A)
#define HULL       JL_RGB(0xA8, 0x32, 0x2E)
#define SAIL       JL_RGB(0xEC, 0xE3, 0xCF)
#define LAMP       JL_RGB(0xFF, 0xD8, 0x7A)

static void still(struct jl_target *t, const struct basin_scene *scene) {
    const struct jl_point hills[] = {{scene->x, (int16_t)(scene->y + 96)},
                                     {(int16_t)(scene->x + 60), (int16_t)(scene->y + 62)},
                                     {(int16_t)(scene->x + 120), (int16_t)(scene->y + 84)},
                                     {(int16_t)(scene->x + 210), (int16_t)(scene->y + 54)},
                                     {(int16_t)(scene->x + 301), (int16_t)(scene->y + 90)},
                                     {(int16_t)(scene->x + 301), (int16_t)(scene->y + 110)},
                                     {scene->x, (int16_t)(scene->y + 110)}};
    jl_fill_gradient(t, (struct jl_rect){scene->x, scene->y, BASIN_SCENE_WIDTH, SKY_END + 14},
                     JL_AXIS_Y, SKY_TOP, SKY_LOW, NULL);
    jl_fill_polygon(t, hills, 7, HILL);
    jl_fill_rect(t,
                 (struct jl_rect){scene->x, (int16_t)(scene->y + SKY_END + 14), BASIN_SCENE_WIDTH,
                                  (int16_t)(GROUND - SKY_END - 14)},
                 STONE_DARK);
    jl_fill_rect(t,
                 (struct jl_rect){scene->x, (int16_t)(scene->y + GROUND), BASIN_SCENE_WIDTH,
                                  (int16_t)(BASIN_SCENE_HEIGHT - GROUND)},
                 STONE);
}

static void walls(struct jl_target *t, const struct basin_scene *scene) {
    for (int16_t side = 0; side < 2; side++) {
        int16_t x = (int16_t)(scene->x + (side ? BASIN_SCENE_WIDTH - WALL : 0));
        jl_fill_rect(t, (struct jl_rect){x, (int16_t)(scene->y + 70), WALL, GROUND - 70}, STONE);
        for (int16_t y = 78; y < GROUND; y = (int16_t)(y + 14)) {
            jl_fill_rect(t, (struct jl_rect){x, (int16_t)(scene->y + y), WALL, 1}, STONE_DARK);
        }
        jl_fill_rect(t, (struct jl_rect){(int16_t)(x + 15), (int16_t)(scene->y + 40), 3, 30},
                     STONE_DARK);
        jl_fill_circle(t, (int16_t)(x + 16), (int16_t)(scene->y + 36), 6,
                       scene->lamps ? LAMP : STONE_DARK);
    }
}

/* A gate slides up in front of the wall, and water shows below it. */
static void gates(struct jl_target *t, const struct basin_scene *scene) {
    for (int16_t i = 0; i < BASIN_SCENE_GATES; i++) {
        int16_t x = (int16_t)(scene->x + (i ? BASIN_SCENE_WIDTH - WALL - 10 : WALL));
        int16_t bottom = (int16_t)(scene->y + GROUND - scene->gates[i]);
        jl_fill_rect(t, (struct jl_rect){x, (int16_t)(bottom - GATE_HEIGHT), 10, GATE_HEIGHT},
                     GATE);
        for (int16_t y = 10; y < GATE_HEIGHT; y = (int16_t)(y + 20)) {
            jl_fill_rect(t, (struct jl_rect){x, (int16_t)(bottom - y), 10, 3}, GATE_DARK);
        }
    }
}

static void boat(struct jl_target *t, int16_t x, int16_t y) {
    const struct jl_point hull[] = {{(int16_t)(x - 46), (int16_t)(y - 10)},
                                    {(int16_t)(x + 46), (int16_t)(y - 10)},
                                    {(int16_t)(x + 34), (int16_t)(y + 6)},
                                    {(int16_t)(x - 34), (int16_t)(y + 6)}};
    const struct jl_point main_sail[] = {{(int16_t)(x + 3), (int16_t)(y - 76)},
                                         {(int16_t)(x + 38), (int16_t)(y - 16)},
                                         {(int16_t)(x + 3), (int16_t)(y - 16)}};
    const struct jl_point jib[] = {{(int16_t)(x - 3), (int16_t)(y - 66)},
                                   {(int16_t)(x - 3), (int16_t)(y - 16)},
                                   {(int16_t)(x - 36), (int16_t)(y - 14)}};
    jl_fill_polygon(t, main_sail, 3, SAIL);
    jl_fill_polygon(t, jib, 3, SAIL);
    jl_fill_rect(t, (struct jl_rect){(int16_t)(x - 1), (int16_t)(y - 80), 3, 70}, GATE_DARK);
    jl_fill_polygon(t, hull, 4, HULL);
    jl_fill_rect(t, (struct jl_rect){(int16_t)(x - 46), (int16_t)(y - 11), 93, 3}, SAIL);
}

static void water(struct jl_target *t, const struct basin_scene *scene) {
    int16_t top = (int16_t)(scene->y + GROUND - scene->water);
    struct jl_rect area = {(int16_t)(scene->x + WALL), top, BASIN_SCENE_WIDTH - 2 * WALL,
                           scene->water};
    jl_fill_gradient(t, area, JL_AXIS_Y, WATER_TOP, WATER_LOW, NULL);
    for (int16_t i = 0; i < 9; i++) {
        int16_t x = (int16_t)(scene->x + WALL + 12 + i * 47 % 200);
        jl_fill_rect(t, (struct jl_rect){x, (int16_t)(top + 4 + i * 5), 18, 1}, SKY_LOW);
    }
}

void basin_scene_set(struct basin_scene *scene, int32_t level, int32_t gate_1, int32_t gate_2,
                     bool lamps) {
    level = level < LEAST_CM ? LEAST_CM : level > MOST_CM ? MOST_CM : level;
    scene->water = (int16_t)(20 + (level - LEAST_CM) * 90 / (MOST_CM - LEAST_CM));
    scene->gates[0] = (int16_t)(gate_1 * 60 / 100);
    scene->gates[1] = (int16_t)(gate_2 * 60 / 100);
    scene->lamps = lamps;
}

bool basin_scene_redraw(struct jl_target *target, struct basin_scene *scene) {
    if (scene->drawn && scene->water == scene->drawn_water && scene->lamps == scene->drawn_lamps &&
        scene->gates[0] == scene->drawn_gates[0] && scene->gates[1] == scene->drawn_gates[1]) {
        return false;
    }
    struct jl_rect before = jl_target_clip(
        target, (struct jl_rect){scene->x, scene->y, BASIN_SCENE_WIDTH, BASIN_SCENE_HEIGHT});
    still(target, scene);
    water(target, scene);
    boat(target, (int16_t)(scene->x + BASIN_SCENE_WIDTH / 2),
         (int16_t)(scene->y + GROUND - scene->water));
    gates(target, scene);
    walls(target, scene);
    jl_target_unclip(target, before);
    scene->drawn = true;
    scene->drawn_water = scene->water;
    scene->drawn_lamps = scene->lamps;
    scene->drawn_gates[0] = scene->gates[0];
    scene->drawn_gates[1] = scene->gates[1];
    return true;
}
