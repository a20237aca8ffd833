/*
 * What a full picture costs on each shipped card with one bit a pixel, and what cells cost on each
 * wiring of a character module; in virtual time, exact and the same in every run. "ideal" is the
 * payload alone: 8 clocks a byte on SPI, 9 on three wires and I2C, 16 on synced SPI, a write cycle
 * in parallel, or the controller's own time where that is longer. "needed" adds what no driver can
 * leave out: the address of each page or row, and on I2C what frames a transaction.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/rig.h"

static void must(jl_status status) {
    if (status != JL_OK) {
        fprintf(stderr, "bench: %s\n", jl_status_text(status));
        exit(1);
    }
}

static double clocks_of(const struct jl_card *card) {
    switch (card->bus) {
    case JL_BUS_I2C:
    case JL_BUS_SPI_3WIRE:
        return 9;
    case JL_BUS_ST7920_SERIAL: /* each byte travels as two */
        return 16;
    default:
        return 8;
    }
}

/* Of the emulated t6963c. */
#define EMULATED_BUSY_US 2.0

static double byte_us(const struct jl_card *card) {
    double byte = card->cycle_ns ? card->cycle_ns / 1e3 : clocks_of(card) * 1e6 / card->clock_hz;
    double paced = card->controller->driver->byte_us;
    if (strcmp(card->controller->name, "t6963c") == 0) {
        return byte + EMULATED_BUSY_US + byte; /* and the read that finds it ready again */
    }
    return byte > paced ? byte : paced;
}

/* Bytes of addressing that a full picture needs, as bytes of payload take time. */
static double needed_bytes(const struct jl_card *card) {
    const char *name = card->controller->name;
    bool i2c = card->bus == JL_BUS_I2C;
    if (strncmp(name, "ssd13", 5) == 0) { /* a window of six bytes */
        /* START, address, control; twice, as the control byte cannot turn to data and back */
        return i2c ? 6 + 2 * (2 + 2 / 9.0) : 6;
    }
    if (strcmp(name, "pcd8544") == 0) {
        return 2; /* column and row; pages follow each other */
    }
    if (strcmp(name, "st7920") == 0) {
        return 32 * 2; /* two bytes a row of both halves, which take as long as data */
    }
    if (card->bus == JL_BUS_MEMORY_LCD) {
        return 2 + 2 * card->height; /* a mode, a number and zeros for each line, and zeros */
    }
    if (strcmp(name, "t6963c") == 0) {
        return 5; /* an address of three bytes, auto write, and its end */
    }
    if (strcmp(name, "ks0108") == 0) {
        return 1 + card->height / 8; /* a page for both halves; columns come round to the first */
    }
    if (strcmp(name, "sed1520") == 0 || strcmp(name, "ws0010_graphics") == 0) {
        return 2 * card->height / 8; /* a page and a column for both halves */
    }
    /* A page and the upper digit; on I2C each after a control byte, then one for the data. */
    int pages = card->height / 8;
    return i2c ? pages * (1 + 4 + 1 + 2 / 9.0) + 2 : pages * 2 + 1;
}

static void measure_dots(const struct jl_card *card) {
    static struct jl_rig rig;
    struct jl_complaint complaint = {""};
    if (!jl_rig_open(&rig, card, &complaint)) {
        fprintf(stderr, "bench: %s\n", complaint.text);
        exit(1);
    }
    must(jl_panel_wake(&rig.panel));
    jl_frame_damage_all(&rig.frame);
    double start_us = jl_rig_now_us(&rig);
    uint64_t start_bytes = jl_rig_bus_bytes(&rig);
    must(jl_panel_present(&rig.panel, &rig.frame));
    double us = jl_rig_now_us(&rig) - start_us;
    double ideal = card->width * card->height / 8 * byte_us(card);
    double needed = ideal + needed_bytes(card) * byte_us(card);
    printf("  %-27s %4llu bytes %8.1f us  ideal %8.1f us %+.2f %%  needed %8.1f us %+.2f %%\n",
           card->name, (unsigned long long)(jl_rig_bus_bytes(&rig) - start_bytes), us, ideal,
           (us / ideal - 1) * 100, needed, (us / needed - 1) * 100);
    jl_rig_close(&rig);
}

static void take_dots(void *context, const char *name, const char *path) {
    struct jl_card card;
    struct jl_complaint complaint;
    (void)context;
    (void)name;
    if (jl_card_read(path, &card, &complaint) && !card.cells.bus &&
        card.format->bits_per_pixel == 1 && !card.controller->driver->paper) {
        measure_dots(&card);
    }
}

/* ---- cells ---- */

static void put_all(struct jl_rig *rig, char fill) {
    for (uint8_t row = 0; row < rig->cells_config.rows; row++) {
        must(jl_char_field(&rig->cells, 0, row, rig->cells_config.columns, JL_CHAR_LEFT, "",
                           (uint32_t)fill));
    }
}

static void measure_cells(struct jl_rig *rig, const char *what, double ideal) {
    double start_us = jl_rig_now_us(rig);
    uint64_t bytes = jl_rig_bus_bytes(rig), taken = jl_cells_byte_count(rig->device);
    must(jl_char_present(&rig->cells));
    double us = jl_rig_now_us(rig) - start_us;
    printf("    %-22s %3llu commands and data, %4llu bytes on the bus %9.1f us", what,
           (unsigned long long)(jl_cells_byte_count(rig->device) - taken),
           (unsigned long long)(jl_rig_bus_bytes(rig) - bytes), us);
    if (ideal > 0) {
        printf("  bound %8.1f us  +%.2f %%", ideal, (us / ideal - 1) * 100);
    }
    putchar('\n');
}

/*
 * The bound of a full 20 x 4: an address and 80 characters. On an expander four bytes each, one
 * for each change of RS, and the address of the transfer: nine clocks, and START and STOP. On pins
 * what the slowest controller takes for each, and no pulse at all.
 */
static double bound_us(const struct jl_card *card) {
    if (card->cells.bus == JL_CELLS_EXPANDER) {
        return ((1 + 1 + 4 + 1 + 80 * 4) * 9 + 2) * 1e6 / card->clock_hz;
    }
    return card->cells.reads_busy ? 37 + 80 * 41 : 53 + 80 * 59;
}

static const struct wiring {
    const char *name;
    enum jl_cells_bus bus;
    bool busy;
    uint32_t clock_hz;
    uint16_t work_bytes;
} wirings[] = {
    {"4 bits, longest waits", JL_CELLS_PARALLEL_4, false, 0, 0},
    {"8 bits, longest waits", JL_CELLS_PARALLEL_8, false, 0, 0},
    {"4 bits, busy flag", JL_CELLS_PARALLEL_4, true, 0, 0},
    {"8 bits, busy flag", JL_CELLS_PARALLEL_8, true, 0, 0},
    {"expander at 100 kHz, 400 bytes of work memory", JL_CELLS_EXPANDER, false, 100000, 400},
    {"expander at 100 kHz, without", JL_CELLS_EXPANDER, false, 100000, 0},
    {"expander at 400 kHz by override", JL_CELLS_EXPANDER, false, 400000, 400},
};

static void measure_wiring(const struct wiring *wiring) {
    static struct jl_rig rig;
    struct jl_card card;
    struct jl_complaint complaint = {""};
    if (!jl_card_find("hd44780-20x4-expander", &card, &complaint)) {
        fprintf(stderr, "bench: %s\n", complaint.text);
        exit(1);
    }
    card.cells.bus = wiring->bus;
    card.cells.reads_busy = wiring->busy;
    card.bus = wiring->clock_hz ? JL_BUS_I2C : JL_BUS_6800_8;
    card.clock_hz = wiring->clock_hz;
    card.works_up_to = wiring->clock_hz;
    if (!jl_rig_open(&rig, &card, &complaint)) {
        fprintf(stderr, "bench: %s\n", complaint.text);
        exit(1);
    }
    rig.port.work_memory_bytes = wiring->work_bytes;
    printf("  %s\n", wiring->name);
    must(jl_char_wake(&rig.cells));
    must(jl_char_put(&rig.cells, 0, 2, "x"));
    must(jl_char_present(&rig.cells)); /* the address is not where the work begins */
    put_all(&rig, 'a');
    measure_cells(&rig, "all 80 cells", bound_us(&card));
    must(jl_char_put(&rig.cells, 7, 1, "b"));
    measure_cells(&rig, "one cell", 0);
    must(jl_char_put(&rig.cells, 7, 1, "b"));
    measure_cells(&rig, "the same again", 0);
    jl_rig_close(&rig);
}

int main(void) {
    puts("A full picture on cards of one bit a pixel, no overhead a transfer");
    jl_share_cards("cards", take_dots, NULL);
    puts("Cells of an hd44780, 20x4, through a buffer");
    for (size_t i = 0; i < sizeof wirings / sizeof wirings[0]; i++) {
        measure_wiring(&wirings[i]);
    }
    return 0;
}
