/* The driver, tested on the desktop: on the glass, on the wire, and without a panel. */
#include <stdio.h>
#include <string.h>

#include <jadelamp/host/stand.h>

#include "oled.h"

static bool write_i2c(void *stand, uint8_t address, const uint8_t *bytes, size_t count) {
    return jl_stand_i2c_write(stand, address, bytes, count);
}

/* A frame of one pixel, and the level of the water in it: 0 to 120. */
static void draw_level(struct oled *oled, int level) {
    oled_fill(oled, 0, 4, 127, 27, true);
    oled_fill(oled, 1, 5, 126, 26, false);
    if (level > 0) {
        oled_fill(oled, 4, 8, 3 + level, 23, true);
    }
}

static void picture(struct jl_stand *stand, struct oled *oled) {
    draw_level(oled, 90);
    JL_EXPECT(stand, oled_start(oled));
    JL_EXPECT_GLASS(stand, EXPECTED "/level-90.png");
    JL_EXPECT_NO_FINDINGS(stand);
    JL_EXPECT_BYTES(stand, 570);
    JL_EXPECT_WIRE_US(stand, 13000); /* at 400 kHz, 22.5 us a byte */
}

static void change(struct jl_stand *stand, struct oled *oled) {
    draw_level(oled, 90);
    JL_EXPECT(stand, oled_start(oled));
    draw_level(oled, 96);
    jl_stand_mark(stand);
    JL_EXPECT(stand, oled_show(oled, 94, 99));
    JL_EXPECT_BYTES(stand, 34); /* six columns of four bytes, and a window */
    JL_EXPECT_GLASS(stand, EXPECTED "/level-96.png");
    JL_EXPECT_NO_FINDINGS(stand);
}

static void unplugged(struct jl_stand *stand, struct oled *oled) {
    jl_stand_fault(stand, "unplugged");
    JL_EXPECT(stand, !oled_start(oled));
}

static void lost(struct jl_stand *stand, struct oled *oled) {
    draw_level(oled, 90);
    jl_stand_fault(stand, "brown-out-at=5");
    JL_EXPECT(stand, !oled_start(oled));
    JL_EXPECT(stand, oled_start(oled)); /* and it comes back */
    JL_EXPECT_GLASS(stand, EXPECTED "/level-90.png");
}

int main(int argc, char **argv) {
    static const struct {
        const char *name;
        void (*run)(struct jl_stand *stand, struct oled *oled);
    } tests[] = {
        {"picture", picture}, {"change", change}, {"unplugged", unplugged}, {"lost", lost}};
    for (size_t i = 0; i < sizeof tests / sizeof tests[0]; i++) {
        if (argc == 2 && strcmp(argv[1], tests[i].name) == 0) {
            struct jl_stand *stand = jl_stand_open("ssd1306-128x32-i2c", tests[i].name);
            struct oled oled = {.write = write_i2c, .context = stand};
            tests[i].run(stand, &oled);
            return jl_stand_close(stand);
        }
    }
    fprintf(stderr, "usage: test_oled picture|change|unplugged|lost\n");
    return 2;
}
