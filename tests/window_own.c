/* A program with a window of its own: `window_own` shows sixty pictures of it, `window_own main
 * ...` is a whole main program. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/host/window.h"

static jl_status show(const struct jl_port *port) {
    static const struct jl_panel_config config = {.controller = &jl_ssd1306,
                                                  .bus = &jl_bus_i2c,
                                                  .width = 128,
                                                  .height = 64,
                                                  .i2c_address = 0x3C};
    static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];
    struct jl_panel panel;
    struct jl_frame frame;
    jl_status status = jl_panel_open(&panel, &config, port);
    if (status == JL_OK && (status = jl_panel_wake(&panel)) == JL_OK &&
        (status = jl_panel_frame(&panel, &frame, pixels, sizeof pixels)) == JL_OK) {
        jl_draw_test_card(&frame.target, "quay");
        status = jl_panel_present(&panel, &frame);
    }
    return status;
}

int main(int argc, char **argv) {
    struct jl_card card;
    struct jl_window_result result;
    struct jl_complaint complaint = {""};
    if (argc > 1 && strcmp(argv[1], "main") == 0) {
        return jl_window_main(argc - 1, argv + 1, "own", "ssd1306-128x64-i2c", show);
    }
    struct jl_window_request request = {
        .cards = &card, .card_count = 1, .program = show, .frames = 60, .name = "own"};
    if (argc > 2 && strcmp(argv[1], "cards") == 0) {
        request.card_count = atoi(argv[2]);
    }
    if (argc > 2 && strcmp(argv[1], "zoom") == 0) {
        request.zoom = atoi(argv[2]);
    }
    if (!jl_card_find("ssd1306-128x64-i2c", &card, &complaint) ||
        !jl_window(&request, &result, &complaint)) {
        fprintf(stderr, "%s\n", complaint.text);
        return 2;
    }
    printf("%u pictures, %u started, returned %d\n", (unsigned)result.frames,
           (unsigned)result.loads, result.status);
    return jl_window_has_findings(&result);
}
