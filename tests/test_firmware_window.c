/* jadelamp run FIRMWARE --window, with real keys: through the window, to a pin of the processor,
 * and back to the glass. */
#include "harness.h"

#include "desk.h"
#include "jadelamp/sim/picture.h"
#include "shell.h"

static void firmware_is_worked(void) {
    desk_begin();
    EXPECT_INT(shell("printf '[panel]\\ncontroller = ssd1306\\n[glass]\\nsize = 128 x 32 pixels\\n"
                     "[bus]\\nkind = i2c\\naddress = 0x3C\\nclock = 400 kHz\\n[pins]\\n"
                     "key_ok = PB3\\n' >key.card"),
               0);
    desk_command("run " FIRMWARE "open_drain.elf -c key.card --mhz 8 --window");
    static const struct {
        const char *deed, *shot;
        int lit; /* an eighth, or all but that, while the key is down */
    } rows[] = {
        {"mousemove 1 1", "key-1.png", 512},
        {"keydown Return", "key-2.png", 4096 - 512},
        {"keyup Return", "key-3.png", 512},
    };
    shell("sleep 0.5");
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        int lit = 0;
        desk_do(rows[i].deed);
        shell("sleep 0.5");
        struct jl_picture shot = desk_shot(rows[i].shot);
        for (int p = 0; p < shot.width * shot.height; p++) {
            lit += shot.rgb[3 * p + 1] > 127;
        }
        test_row("%s", rows[i].deed);
        EXPECT_INT(lit, rows[i].lit);
        jl_picture_free(&shot);
    }
    desk_do("key q");
    EXPECT_INT(desk_wait(), 0);
    desk_end();
}

const struct test_group test_groups[] = {
    {"firmware_is_worked", firmware_is_worked},
    {NULL, NULL},
};
