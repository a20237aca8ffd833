/* The touch controllers. */
#include <string.h>

#include "jadelamp/host/catalog.h"
#include "jadelamp/sim/touch.h"

static const struct jl_touch_entry entries[] = {
    {"xpt2046",
     &jl_xpt2046,
     &jl_emulated_xpt2046,
     "resistive, 1 finger",
     {0, 0},
     2500000,
     {"its numbers are not pixels: calibrate, and keep the map",
      "on the display's SPI bus it needs a slower clock than the display", NULL}},
    {"ft6x36",
     &jl_ft6x36,
     &jl_emulated_ft6x36,
     "capacitive, 2 fingers",
     {0x38, 0},
     400000,
     {"for 300 ms after reset its registers are not valid", "printed as 70, the 8-bit form", NULL}},
    {"gt911",
     &jl_gt911,
     &jl_emulated_gt911,
     "capacitive, 5 fingers",
     {0x5D, 0x14},
     400000,
     {"the level of its pen line at the end of reset chooses the address",
      "a report that is not taken by writing 0 to 814E is the last one", NULL}},
    {"cst816",
     &jl_cst816,
     &jl_emulated_cst816,
     "capacitive, 1 finger",
     {0x15, 0},
     400000,
     {"asleep, a few seconds after a touch, it answers no address; FE 01 keeps it awake", NULL}},
};
enum { ENTRIES = sizeof entries / sizeof entries[0] };

const struct jl_touch_entry *jl_touch_catalog(size_t *count) {
    *count = ENTRIES;
    return entries;
}

const struct jl_touch_entry *jl_touch_catalog_find(const char *name) {
    for (size_t i = 0; i < ENTRIES; i++) {
        if (strcmp(entries[i].name, name) == 0) {
            return &entries[i];
        }
    }
    return NULL;
}
