/* Character modules in cards. */
#include "card_cells.h"

#include <string.h>

#include "jadelamp/char_wiring.h"

static const struct choice yes_or_no[] = {{"no", 0}, {"yes", 1}, {NULL, 0}};

bool jl_host_card_read_rom(struct reading *reading, const char *key, const char *value) {
    enum { A00, A02, ASCII };
    static const struct choice choices[] = {
        {"a00", A00}, {"a02", A02}, {"ascii", ASCII}, {NULL, 0}};
    int rom = A00;
    bool good = jl_host_card_choice(reading, key, value, choices, &rom);
    reading->card->cells.european_rom = rom == A02;
    reading->card->cells.only_ascii = rom == ASCII;
    return good;
}

bool jl_host_card_read_halves(struct reading *reading, const char *key, const char *value) {
    int halves = 0;
    bool good = jl_host_card_choice(reading, key, value, yes_or_no, &halves);
    reading->card->cells.halves = halves;
    return good;
}

bool jl_host_card_read_voltage(struct reading *reading, const char *key, const char *value) {
    static const struct unit units[] = {{"V", 1000}, {"mV", 1}, {NULL, 0}};
    double millivolts;
    if (!jl_host_parse_quantity(value, units, 100, 12000, &millivolts)) {
        return FAIL(reading,
                    "%s = %s: expected the voltage between supply and V0 with its unit, 0.1 V to "
                    "12 V, such as 4.5 V",
                    key, value);
    }
    reading->card->cells.millivolts = (int)(millivolts + 0.5);
    return true;
}

bool jl_host_card_read_busy(struct reading *reading, const char *key, const char *value) {
    int busy = 0;
    bool good = jl_host_card_choice(reading, key, value, yes_or_no, &busy);
    reading->card->cells.reads_busy = busy;
    return good;
}

/* Where an output goes by the word for it; NULL: there is no such word. */
static int *output_of(struct jl_cells_wiring *outputs, const char *word) {
    const struct {
        const char *word;
        int *output;
    } places[] = {{"rs", &outputs->rs},       {"rw", &outputs->rw},
                  {"e", &outputs->e},         {"e2", &outputs->e2},
                  {"light", &outputs->light}, {"light-low", &outputs->light},
                  {"d4", &outputs->data[0]},  {"d5", &outputs->data[1]},
                  {"d6", &outputs->data[2]},  {"d7", &outputs->data[3]}};
    for (size_t i = 0; i < sizeof places / sizeof places[0]; i++) {
        if (strcmp(places[i].word, word) == 0) {
            return places[i].output;
        }
    }
    return NULL;
}

static const struct jl_cells_wiring unwired = {-1, -1, -1, -1, -1, {-1, -1, -1, -1}, false};

bool jl_host_card_read_outputs(struct reading *reading, const char *key, const char *value) {
    struct jl_cells_wiring *outputs = &reading->card->cells.outputs;
    char words[128];
    int bit = 0;
    *outputs = unwired;
    snprintf(words, sizeof words, "%s", value);
    char *rest = words;
    for (char *word; (word = strtok_r(rest, " ", &rest)) != NULL; bit++) {
        int *output = output_of(outputs, word);
        if (strcmp(word, "-") == 0) {
            continue;
        }
        if (!output) {
            return FAIL(
                reading,
                "%s: \"%s\" is none of rs, rw, e, e2, light, light-low, d4, d5, d6, d7 or - "
                "for an output that leads nowhere",
                key, word);
        }
        if (*output >= 0) {
            return FAIL(reading, "%s: %s stands twice, at P%d and P%d", key, word, *output, bit);
        }
        *output = bit;
        outputs->light_low |= strcmp(word, "light-low") == 0;
    }
    return bit == 8 || FAIL(reading,
                            "%s = %s: expected where P0 to P7 lead, in eight words, such as "
                            "rs rw e light d4 d5 d6 d7",
                            key, value);
}

static bool is_complete(const struct jl_cells_wiring *outputs, bool two_enables) {
    const int *data = outputs->data;
    return outputs->rs >= 0 && outputs->e >= 0 && (outputs->e2 >= 0 || !two_enables) &&
           data[0] >= 0 && data[1] >= 0 && data[2] >= 0 && data[3] >= 0;
}

static bool check_expander(struct reading *reading, bool two_enables) {
    struct jl_card *card = reading->card;
    uint8_t address = card->i2c_address;
    if (!card->i2c_address) {
        return FAIL(reading, "the card ends without address in [bus], such as address = 0x27");
    }
    if (address >> 3 != 0x20 >> 3 && address >> 3 != 0x38 >> 3) {
        return FAIL_KEY(
            reading, "bus", "address",
            "[bus] address = 0x%02X: a pcf8574 answers at 0x20 to 0x27, a pcf8574A at 0x38 "
            "to 0x3F",
            address);
    }
    if (!jl_host_card_seen(reading, "bus", "outputs")) {
        card->cells.outputs = (struct jl_cells_wiring){0, 1, 2, -1, 3, {4, 5, 6, 7}, false};
    }
    if (!is_complete(&card->cells.outputs, two_enables)) {
        return FAIL_KEY(reading, "bus", "outputs",
                        "[bus] outputs: expected rs, e, %sd4, d5, d6 and d7 among them",
                        two_enables ? "e2, " : "");
    }
    card->clock_hz = card->clock_hz ? card->clock_hz : 100000;
    if (card->clock_hz > 5000000) {
        return FAIL_KEY(reading, "bus", "clock",
                        "[bus] clock: I2C ends at 5 MHz, and the expander at 100 kHz");
    }
    return card->clock_hz <= 100000 || card->clock_hz <= card->works_up_to ||
           FAIL_KEY(reading, "bus", "clock",
                    "[bus] clock: the expander's limit is 100 kHz; if this module was seen to work "
                    "faster, say so with works-up-to");
}

static bool check_native(struct reading *reading) {
    struct jl_card *card = reading->card;
    const struct jl_catalog_entry *part = card->controller;
    if (!card->i2c_address) {
        return FAIL(reading, "the card ends without address in [bus], such as address = 0x%02X",
                    part->addresses[0]);
    }
    if (!memchr(part->addresses, card->i2c_address, sizeof part->addresses)) {
        return FAIL_KEY(reading, "bus", "address",
                        "[bus] address = 0x%02X: expected 0x%02X, where the %s answers",
                        card->i2c_address, part->addresses[0], part->name);
    }
    card->clock_hz = card->clock_hz ? card->clock_hz : 400000;
    return card->clock_hz <= 400000 ||
           FAIL_KEY(reading, "bus", "clock", "[bus] clock: the %s ends at 400 kHz", part->name);
}

/* Whether a module can have so many cells. */
static bool is_size(const struct jl_card *card) {
    const struct jl_char_wire *own = card->controller->wires[0];
    switch (card->height) {
    case 1:
        return card->width <= 80 && !(card->cells.halves && card->width % 2);
    case 3:
        return own && own->three_rows && card->width <= 16 && !card->cells.halves;
    default:
        return (card->height == 2 || card->height == 4) && card->width <= 40 && !card->cells.halves;
    }
}

bool jl_host_card_check_cells(struct reading *reading) {
    struct jl_card *card = reading->card;
    bool expander = card->cells.bus == JL_CELLS_EXPANDER;
    bool two_enables = card->height == 4 && card->width > 20;
    bool native = card->controller->on_i2c;
    if (native && !card->cells.bus && card->bus == JL_BUS_I2C) {
        card->cells.bus = JL_CELLS_I2C;
    }
    if (!card->cells.bus || native != (card->cells.bus == JL_CELLS_I2C)) {
        return FAIL_KEY(reading, "bus", "kind", "[bus] kind: the %s has %s", card->controller->name,
                        native ? "i2c" : "parallel-4, parallel-8 or expander");
    }
    if (!is_size(card)) {
        return FAIL_KEY(reading, "glass", "size",
                        "[glass] %d x %d cells: expected 1 row of up to 80, 2 or 4 rows of up to "
                        "40, 3 of up to 16 "
                        "of an st7036, or 1 row of two halves",
                        card->width, card->height);
    }
    if (expander && card->cells.reads_busy) {
        return FAIL_KEY(reading, "bus", "busy",
                        "[bus] busy: an expander is too slow to be worth it: leave it out");
    }
    bool plain = card->cells.bus == JL_CELLS_PARALLEL_4 || card->cells.bus == JL_CELLS_PARALLEL_8;
    if (card->controller->wires[1] && (!plain || card->cells.reads_busy)) {
        return FAIL_KEY(reading, "bus", plain ? "busy" : "kind",
                        plain ? "[bus] busy: the %s is driven without: leave it out"
                              : "[bus] kind: the %s has parallel-4 or parallel-8",
                        card->controller->name);
    }
    if (native && (two_enables || jl_host_card_seen(reading, "bus", "outputs"))) {
        return FAIL_KEY(reading, two_enables ? "glass" : "bus", two_enables ? "size" : "outputs",
                        two_enables ? "[glass] %d x %d cells: that takes two controllers, and this "
                                      "bus has one"
                                    : "[bus] outputs: only an expander has them",
                        card->width, card->height);
    }
    if (!expander && !native &&
        (card->clock_hz || card->i2c_address || jl_host_card_seen(reading, "bus", "outputs"))) {
        return FAIL_KEY(reading, "bus",
                        card->clock_hz      ? "clock"
                        : card->i2c_address ? "address"
                                            : "outputs",
                        "[bus] clock, address and outputs: only an expander has them");
    }
    if (!jl_host_card_seen(reading, "glass", "color")) {
        card->glass_kind = card->controller->glass_kind;
    }
    return native ? check_native(reading) : !expander || check_expander(reading, two_enables);
}
