/*
 * The first minutes with a TFT module that says nothing about itself: ask the part who it is, wake
 * it as what it is, ask how it stands, and see whether patterns come back from its memory.
 *
 * The label on the bag says ili9341. What is there is the card's: give this program another one.
 */
#include "example.h"

#include <stdio.h>

#include "jadelamp/controllers/readings.h"

static const struct jl_panel_config as_labelled = {
    .controller = &jl_ili9341,
    .bus = &jl_bus_spi,
    .width = 240,
    .height = 240,
    .module = JL_MODULE_MIRROR_X | JL_MODULE_BGR | JL_MODULE_RESET_WIRED,
};

static const struct jl_panel_config as_found = {
    .controller = &jl_st7789,
    .bus = &jl_bus_spi,
    .width = 240,
    .height = 240,
    .module = JL_MODULE_IPS | JL_MODULE_RESET_WIRED,
};

static jl_status look_closer(struct jl_panel *panel, const struct jl_reading *reading) {
    uint8_t said;
    struct jl_wire_test test;
    jl_status status = jl_panel_wake(panel);
    if (status == JL_OK) {
        status = jl_panel_ask(panel, reading, &said);
    }
    if (status == JL_OK) {
        printf("it says: display %s, %s, booster %s\n", said & JL_SAID_ON ? "on" : "off",
               said & JL_SAID_AWAKE ? "awake" : "asleep", said & JL_SAID_BOOSTED ? "on" : "off");
        status = jl_panel_test_wires(panel, reading, &test);
        printf("%u of %u bytes came back wrong\n", test.wrong, test.bytes);
    }
    return status;
}

jl_status example_run(const struct jl_port *port) {
    struct jl_panel panel;
    uint32_t id;
    jl_status status = jl_panel_open(&panel, &as_labelled, port);
    if (status == JL_OK) {
        status = jl_panel_identify(&panel, &jl_ili9341_reading, &id);
    }
    if (status == JL_WRONG_PART) {
        const char *part = jl_part_of_id(id);
        printf("asked for an ili9341; %06lX answered: %s\n", (unsigned long)id,
               part ? part : "not known");
        if (id == jl_st7789_reading.id) {
            status = jl_panel_open(&panel, &as_found, port);
            return status == JL_OK ? look_closer(&panel, &jl_st7789_reading) : status;
        }
        return JL_WRONG_PART;
    }
    return status == JL_OK ? look_closer(&panel, &jl_ili9341_reading) : status;
}
