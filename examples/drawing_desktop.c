/* Runs a drawing example and writes its steps side by side into one PNG. */
#include <stdio.h>
#include <stdlib.h>

#include "drawing.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/png.h"

enum { GAP = 8 };

static bool add_step(struct jl_frame *frame, int step, struct jl_picture *sheet) {
    struct jl_picture small, large;
    drawing.draw(frame, step);
    if (!jl_frame_picture(frame, &small)) {
        return false;
    }
    bool good = jl_picture_enlarge(&small, drawing.scale, &large);
    if (good) {
        jl_picture_place(sheet, &large, step * (large.width + GAP), 0);
        jl_picture_free(&large);
    }
    jl_picture_free(&small);
    return good;
}

int main(int argc, char **argv) {
    static uint8_t pixels[480 * 480 * 3];
    struct jl_frame frame;
    struct jl_picture sheet = {0};
    struct jl_complaint complaint = {"out of memory"};
    char path[1024];
    snprintf(path, sizeof path, "%s/%s.png", argc > 1 ? argv[1] : ".", EXAMPLE_NAME);
    jl_status status =
        jl_frame_init(&frame, drawing.format, drawing.width, drawing.height, pixels, sizeof pixels);
    int width = drawing.steps * (drawing.width * drawing.scale + GAP) - GAP;
    bool good = status == JL_OK && jl_picture_create(&sheet, width, drawing.height * drawing.scale);
    for (int step = 0; good && step < drawing.steps; step++) {
        good = add_step(&frame, step, &sheet);
    }
    good = good && jl_png_write(path, &sheet, &complaint);
    jl_picture_free(&sheet);
    printf("%s: %s\n", path, good ? "written" : complaint.text);
    return good ? 0 : 1;
}
