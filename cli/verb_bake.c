/* jadelamp bake WHAT FILE */
#include "bake.h"

#include <stdio.h>
#include <string.h>

int verb_bake(int argc, const char **argv) {
    static const struct {
        const char *name, *whole;
        int (*run)(int argc, const char **argv);
        const char *what;
    } kinds[] = {
        {"glyph", "bake glyph", bake_glyph, "text art into characters of character modules"},
        {"picture", "bake picture", bake_picture, "a picture into an image for a panel"},
        {"frames", "bake frames", bake_frames, "an animation into the rectangles that change"},
        {"font", "bake font", bake_font, "characters of a font file into a font"},
        {"screen", "bake screen", bake_screen, "a screen sheet into code that draws it"},
        {"card", "bake card", bake_card, "a panel card into the description of a panel"},
        {"steps", "bake steps", bake_steps, "a wake-up sequence in C or hex into steps of a card"},
        {"art", "bake art", bake_art, "a baked font back into text art"},
    };
    for (size_t i = 0; argc > 1 && i < sizeof kinds / sizeof kinds[0]; i++) {
        if (strcmp(argv[1], kinds[i].name) == 0) {
            argv[1] = kinds[i].whole;
            return kinds[i].run(argc - 1, argv + 1);
        }
    }
    bool asked = argc > 1 && strcmp(argv[1], "--help") == 0;
    if (!asked) {
        return cli_bad(
            argv[0],
            "%s: expected what to bake: glyph, picture, frames, font, screen, card, steps or art",
            argc > 1 ? argv[1] : "nothing");
    }
    puts("Usage: jadelamp bake WHAT FILE [OPTIONS]\n");
    for (size_t i = 0; i < sizeof kinds / sizeof kinds[0]; i++) {
        printf("  %-8s %s\n", kinds[i].name, kinds[i].what);
    }
    puts("\njadelamp bake WHAT --help tells more.");
    return EXIT_GOOD;
}
