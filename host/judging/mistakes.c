/* The list of mistakes, and how to make them. */
#include "mistakes.h"

#include <string.h>

/* ALL: of dots. WITH_DC: where commands can be told from data on the way; 3 wires, too. */
enum {
    MONO = 1,
    GREY = 2,
    COLOR = 4,
    PAPER = 8,
    ALL = 15,
    LIT = 7,
    WITH_DC = 16,
    DC_PIN = 32,
    I2C = 64,
    SPI = 128,
    PARALLEL = 256,
    CELLS = 512,
    EXPANDER = 1024,
    BUSES = WITH_DC | DC_PIN | I2C | SPI | PARALLEL
};

/* ---- descriptions ---- */

static bool mirror_x(struct jl_card *card) {
    card->module ^= JL_MODULE_MIRROR_X;
    return true;
}

static bool mirror_y(struct jl_card *card) {
    card->module ^= JL_MODULE_MIRROR_Y;
    return true;
}

static bool upside_down(struct jl_card *card) {
    card->module ^= JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y;
    return true;
}

static bool color_order(struct jl_card *card) {
    card->module ^= JL_MODULE_BGR;
    return true;
}

static bool inversion(struct jl_card *card) {
    card->module ^= JL_MODULE_IPS;
    return true;
}

static bool other_rows(struct jl_card *card) {
    card->module ^= JL_MODULE_ROWS_OTHER;
    return true;
}

static bool turned(struct jl_card *card) {
    card->turn = (uint8_t)((card->turn & 4) | ((card->turn + 1) & 3));
    return true;
}

/* By two columns and a row, as between kinds of a module; where the memory has them. */
static bool shifted(struct jl_card *card) {
    int width = card->ram_width ? card->ram_width : card->controller->driver->ram_width;
    int height = card->ram_height ? card->ram_height : card->controller->driver->ram_height;
    bool right = card->column_offset + 2 + card->width <= width;
    bool down = card->row_offset + 1 + card->height <= height;
    card->column_offset += right ? 2 : card->column_offset >= 2 ? -2 : 0;
    card->row_offset += down ? 1 : card->row_offset >= 1 ? -1 : 0;
    return right || down || card->column_offset || card->row_offset;
}

static bool half_height(struct jl_card *card) {
    const char *name = card->controller->name;
    card->height /= 2;
    return card->height >= 16 && (strncmp(name, "ssd13", 5) == 0 || strncmp(name, "sh11", 4) == 0);
}

static bool glaring(struct jl_card *card) {
    card->contrast = 255;
    return true;
}

static bool faint(struct jl_card *card) {
    card->contrast = 1;
    return true;
}

static bool fast(struct jl_card *card) {
    card->clock_hz *= 8;
    card->works_up_to = 0;
    return card->clock_hz <= 200000000u;
}

static bool as_part(struct jl_card *card, const char *name) {
    const struct jl_catalog_entry *entry = jl_catalog_find(name);
    if (!entry || entry == card->controller || !entry->driver) {
        return false;
    }
    card->controller = entry;
    card->column_offset = card->row_offset = 0;
    return true;
}

static bool other_chips(struct jl_card *card) {
    card->module ^= JL_MODULE_CHIPS_LOW;
    return true;
}

static bool other_font(struct jl_card *glass) {
    glass->module ^= JL_MODULE_ROWS_OTHER; /* which is FS of this part */
    return true;
}

static bool as_ssd1306(struct jl_card *card) {
    return as_part(card, "ssd1306");
}

static bool as_sh1106(struct jl_card *card) {
    card->column_offset = 2;
    return as_part(card, "sh1106");
}

static bool as_st7735(struct jl_card *card) {
    return card->width <= 132 && card->height <= 162 && as_part(card, "st7735");
}

static bool as_ili9341(struct jl_card *card) {
    return card->width <= 240 && card->height <= 320 && as_part(card, "ili9341");
}

static bool as_st7789(struct jl_card *card) {
    return card->width <= 240 && card->height <= 320 && as_part(card, "st7789");
}

/* ---- character modules ---- */

static bool one_row(struct jl_card *card) {
    bool taller = card->height > 1 && !card->cells.halves;
    card->height = 1;
    return taller;
}

static bool two_rows(struct jl_card *card) {
    bool taller = card->height == 4;
    card->height = 2;
    return taller;
}

static bool fewer_columns(struct jl_card *card) {
    bool four = card->height == 4; /* of two rows, the others are just not written */
    card->width -= 4;
    return four && card->width >= 8;
}

static bool halves(struct jl_card *card) {
    card->cells.halves = !card->cells.halves;
    return card->width == 16 && card->height == 1;
}

static bool other_rom(struct jl_card *card) {
    card->cells.european_rom = !card->cells.european_rom;
    card->cells.only_ascii = false;
    return true;
}

/* The other usual order of an expander's outputs. */
static bool other_outputs(struct jl_card *card) {
    const struct jl_cells_wiring first = {
        .rs = 0, .rw = 1, .e = 2, .e2 = -1, .light = 3, .data = {4, 5, 6, 7}};
    const struct jl_cells_wiring second = {
        .rs = 6, .rw = 5, .e = 4, .e2 = -1, .light = 7, .data = {0, 1, 2, 3}};
    card->cells.outputs = card->cells.outputs.data[0] == 4 ? second : first;
    return true;
}

static bool nibble_turned(struct jl_card *card) {
    const struct jl_cells_wiring as_wired = card->cells.outputs;
    for (int i = 0; i < 4; i++) {
        card->cells.outputs.data[i] = as_wired.data[3 - i];
    }
    return true;
}

static bool trimmed_low(struct jl_card *glass) {
    glass->cells.millivolts = 1500;
    return true;
}

static bool trimmed_high(struct jl_card *glass) {
    glass->cells.millivolts = 7500;
    return true;
}

/* ---- the list ---- */

const struct mistake jl_host_mistakes[] = {
    {.told = {"mirrored-x", "left and right exchanged", "change the mounting, or MX, A0/A1"},
     .where = ALL,
     .alter = mirror_x},
    {.told = {"mirrored-y", "top and bottom exchanged", "change the mounting, or MY, C0/C8"},
     .where = ALL,
     .alter = mirror_y},
    {.told = {"upside-down", "turned by half", "change both directions, or the orientation"},
     .where = ALL,
     .alter = upside_down},
    {.told = {"turned", "turned by a quarter", "change the orientation"},
     .where = GREY | COLOR,
     .alter = turned},
    {.told = {"shifted", "offset: 2 columns, 1 row",
              "set first-column and first-row as the glass is bonded"},
     .where = LIT,
     .alter = shifted},
    {.told = {"colors", "red and blue exchanged", "change the order of colours: BGR, bit 3 of 36"},
     .where = COLOR,
     .alter = color_order},
    {.told = {"negative", "inversion the other way (IPS)", "say ips, or send 21 or 20"},
     .where = COLOR,
     .alter = inversion},
    {.told = {"bytes", "bytes of a pixel exchanged", "send the high byte of a pixel first"},
     .where = COLOR | WITH_DC,
     .bend = BEND_SWAP},
    {.told = {"depth", "18 bits set, 16 sent", "set the format of the frame: 3A 55"},
     .where = COLOR | WITH_DC,
     .bend = BEND_ARGUMENT,
     .opcode = 0x3A,
     .value = 0x66},
    {.told = {"depth-12", "12 bits set, 16 sent", "set the format of the frame: 3A 55"},
     .where = COLOR | WITH_DC,
     .controller = "st7",
     .bend = BEND_ARGUMENT,
     .opcode = 0x3A,
     .value = 0x53},
    {.told = {"asleep", "sleep out (11) is missing", "send 11, and wait 120 ms"},
     .where = COLOR,
     .bend = BEND_DROP,
     .opcode = 0x11},
    {.told = {"off-color", "display on (29) is missing", "send 29 at the end"},
     .where = COLOR,
     .bend = BEND_DROP,
     .opcode = 0x29},
    {.told = {"off", "display on (AF) is missing", "send AF at the end"},
     .where = MONO | GREY,
     .bend = BEND_DROP,
     .opcode = 0xAF},
    {.told = {"pump", "charge pump (8D 14) is missing", "send 8D 14 before AF"},
     .where = MONO,
     .controller = "ssd1306",
     .bend = BEND_DROP,
     .opcode = 0x8D},
    {.told = {"converter", "converter (AD 8B) is off", "send AD 8B before AF"},
     .where = MONO,
     .controller = "ssd0303",
     .bend = BEND_ARGUMENT,
     .opcode = 0xAD,
     .value = 0x8A},
    {.told = {"converter", "converter (AD 8B) is off", "send AD 8B before AF"},
     .where = MONO,
     .controller = "sh1106",
     .bend = BEND_ARGUMENT,
     .opcode = 0xAD,
     .value = 0x8A},
    {.told = {"converter", "converter (AD 8B) is off", "send AD 8B before AF"},
     .where = MONO,
     .controller = "sh1107",
     .bend = BEND_ARGUMENT,
     .opcode = 0xAD,
     .value = 0x8A},
    {.told = {"pump", "charge pump (2F) is missing", "send 2F before AF"},
     .where = MONO,
     .controller = "uc1609",
     .bend = BEND_DROP,
     .opcode = 0x2F},
    {.told = {"halves", "the selects of the halves exchanged", "exchange the two wires"},
     .where = MONO,
     .controller = "ks0108",
     .bend = BEND_CHIPS},
    {.told = {"halves", "the selects of the halves exchanged", "exchange the two wires"},
     .where = MONO,
     .controller = "sed1520",
     .bend = BEND_CHIPS},
    {.told = {"chips-level", "the other level selects its halves", "say chips = low, or high"},
     .where = MONO,
     .controller = "ks0108",
     .alter = other_chips},
    {.told = {"com-pins", "COM pins the other way (DA)", "say rows, or send DA 12 or 02"},
     .where = MONO,
     .controller = "ssd13",
     .alter = other_rows},
    {.told = {"half-height", "taken for half the height", "say its height: A8, and DA"},
     .where = MONO,
     .alter = half_height},
    {.told = {"start-line", "start line 20 (40+n)", "send 40"},
     .where = MONO,
     .bend = BEND_OPCODE,
     .opcode = 0x40,
     .value = 0x54},
    {.told = {"offset-d3", "display offset 16 (D3)", "send D3 00"},
     .where = MONO,
     .bend = BEND_ARGUMENT,
     .opcode = 0xD3,
     .value = 0x10},
    {.told = {"page-mode", "page mode, sent as horizontal", "send 20 00"},
     .where = MONO,
     .controller = "ssd13",
     .bend = BEND_ARGUMENT,
     .opcode = 0x20,
     .value = 0x02},
    {.told = {"vertical", "vertical mode, sent as horizontal", "send 20 00"},
     .where = MONO,
     .controller = "ssd13",
     .bend = BEND_ARGUMENT,
     .opcode = 0x20,
     .value = 0x01},
    {.told = {"all-on", "all pixels on (A5)", "send A4"},
     .where = MONO,
     .bend = BEND_OPCODE,
     .opcode = 0xA4,
     .value = 0xA5},
    {.told = {"negative-mono", "inverted (A7)", "send A6"},
     .where = MONO,
     .bend = BEND_OPCODE,
     .opcode = 0xA6,
     .value = 0xA7},
    {.told = {"faint", "contrast of 1", "set the contrast"}, .where = MONO | GREY, .alter = faint},
    {.told = {"as-ssd1306", "taken for an ssd1306", "use the card of this controller"},
     .where = MONO,
     .controller = "sh1106",
     .alter = as_ssd1306},
    {.told = {"as-ssd1306", "taken for an ssd1306", "use the card of this controller"},
     .where = MONO,
     .controller = "ssd0303",
     .alter = as_ssd1306},
    {.told = {"as-sh1106", "taken for an sh1106", "use the card of this controller"},
     .where = MONO,
     .controller = "ssd13",
     .alter = as_sh1106},
    {.told = {"as-st7735", "taken for an st7735", "use the card of this controller"},
     .where = COLOR | WITH_DC,
     .alter = as_st7735},
    {.told = {"as-st7789", "taken for an st7789", "use the card of this controller"},
     .where = COLOR | WITH_DC,
     .alter = as_st7789},
    {.told = {"as-ili9341", "taken for an ili9341", "use the card of this controller"},
     .where = COLOR | WITH_DC,
     .alter = as_ili9341},
    {.told = {"glaring", "contrast of 255", "set the contrast"},
     .where = MONO,
     .controller = "pcd",
     .alter = glaring},
    {.told = {"glaring-st", "contrast of 255", "set the contrast"},
     .where = MONO,
     .controller = "st75",
     .alter = glaring},
    {.told = {"glaring-uc", "contrast of 255", "set the contrast"},
     .where = MONO,
     .controller = "uc17",
     .alter = glaring},
    {.told = {"font", "FS high: 6 dots a byte", "wire FS low"},
     .where = MONO,
     .controller = "t6963c",
     .alter_glass = other_font},
    {.told = {"uncleared", "memory not cleared, middle drawn", "clear all of it first"},
     .where = LIT,
     .uncleared = true},
    {.told = {"no-update", "update (20) is missing", "send 22 F7 and 20 behind the pixels"},
     .where = PAPER | WITH_DC,
     .controller = "ssd16",
     .bend = BEND_DROP,
     .opcode = 0x20},
    {.told = {"no-refresh", "refresh (12) is missing", "send 12 behind the pixels"},
     .where = PAPER | WITH_DC,
     .controller = "uc8",
     .bend = BEND_DROP,
     .opcode = 0x12},
    {.told = {"dc", "D/C inverted", "drive D/C low for commands"},
     .where = ALL | DC_PIN,
     .bend = BEND_DC},
    {.told = {"dc-low", "D/C stuck low", "look at the D/C pin"},
     .where = ALL | DC_PIN,
     .fault = "dc-low"},
    {.told = {"dc-high", "D/C stuck high", "look at the D/C pin"},
     .where = ALL | DC_PIN,
     .fault = "dc-high"},
    {.told = {"cs", "CS never low", "look at the CS pin"},
     .where = ALL | WITH_DC,
     .fault = "cs-high"},
    {.told = {"pins", "D/C and CS exchanged", "exchange the two pins"},
     .where = ALL | DC_PIN,
     .bend = BEND_PINS},
    {.told = {"mode", "SPI mode 1 or 2", "take mode 0 or 3"},
     .where = ALL | SPI,
     .bend = BEND_LATE},
    {.told = {"lsb-first", "least significant bit first", "send the most significant bit first"},
     .where = ALL | SPI,
     .bend = BEND_REVERSE},
    {.told = {"crossed", "clock and data exchanged", "exchange SCK and MOSI"},
     .where = ALL | SPI,
     .bend = BEND_CROSSED},
    {.told = {"lines-turned", "D0 to D7 in reverse", "wire D0 to D0, and so on"},
     .where = ALL | PARALLEL,
     .bend = BEND_REVERSE},
    {.told = {"lines-pair", "D0 and D1 exchanged", "exchange the two wires"},
     .where = ALL | PARALLEL,
     .bend = BEND_PAIR},
    {.told = {"fast", "clock eight times too fast", "lower the clock"},
     .where = ALL | WITH_DC,
     .alter = fast},
    {.told = {"sda", "SDA held low, or no pull-up", "look at SDA, SCL and their pull-ups"},
     .where = ALL | I2C,
     .fault = "sda-low"},
    {.told = {"bits", "bits flipped on long wires", "shorten the wires, lower the clock"},
     .where = ALL,
     .fault = "flip=4000"},
    {.told = {"silent", "nothing is sent",
              "look at E, RS and the supply; wait 50 ms before the first"},
     .where = CELLS,
     .bend = BEND_SILENT},
    {.told = {"pale", "contrast trimmed too low", "turn the trimmer; V0 near ground"},
     .where = CELLS,
     .alter_glass = trimmed_low},
    {.told = {"blocks", "contrast trimmed too high", "turn the trimmer the other way"},
     .where = CELLS,
     .alter_glass = trimmed_high},
    {.told = {"one-row", "taken for one row", "say the rows: 28 for two (function set)"},
     .where = CELLS,
     .alter = one_row},
    {.told = {"two-rows", "taken for two rows", "say size = COLUMNS x 4"},
     .where = CELLS,
     .alter = two_rows},
    {.told = {"columns", "taken for fewer columns", "say the columns: row 3 begins behind row 1"},
     .where = CELLS,
     .alter = fewer_columns},
    {.told = {"halves", "halves of a row, or one row", "say halves as the module is"},
     .where = CELLS,
     .alter = halves},
    {.told = {"rom", "the other character ROM", "say rom as the part's suffix does"},
     .where = CELLS,
     .alter_glass = other_rom},
    {.told = {"outputs", "the expander wired otherwise", "say outputs as they are"},
     .where = EXPANDER,
     .alter = other_outputs},
    {.told = {"data-order", "D4 to D7 in reverse", "say outputs as they are"},
     .where = EXPANDER,
     .alter = nibble_turned},
    {.told = {"rs-low", "RS stuck low", "look at the RS pin"}, .where = CELLS, .fault = "rs-low"},
    {.told = {"rs-high", "RS stuck high", "look at the RS pin"},
     .where = CELLS,
     .fault = "rs-high"},
    {.told = {"d7", "D7 stuck low", "look at the D7 pin"}, .where = CELLS, .fault = "d7-low"},
    {.told = {"d4", "D4 stuck high", "look at the D4 pin"}, .where = CELLS, .fault = "d4-high"},
    {.told = {"bus", "SDA held low, or no pull-up", "look at SDA, SCL and their pull-ups"},
     .where = EXPANDER,
     .fault = "sda-low"},
};
const int jl_host_mistake_count = sizeof jl_host_mistakes / sizeof jl_host_mistakes[0];

/* ---- whose they are ---- */

/* What a bus has, of the kinds above. */
static unsigned bus_kinds(enum jl_bus_kind bus) {
    switch (bus) {
    case JL_BUS_I2C:
        return I2C;
    case JL_BUS_SPI:
        return WITH_DC | DC_PIN | SPI;
    case JL_BUS_SPI_3WIRE:
        return WITH_DC;
    case JL_BUS_8080_8:
    case JL_BUS_6800_8:
        return WITH_DC | DC_PIN | PARALLEL;
    default:
        return 0;
    }
}

bool jl_host_mistake_fits(const struct mistake *mistake, const struct jl_card *card) {
    if (card->cells.bus) {
        return mistake->where & CELLS ||
               (mistake->where & EXPANDER && card->cells.bus == JL_CELLS_EXPANDER);
    }
    /* Commands behind their arguments are not told apart on the way. */
    bool by_command = mistake->bend == BEND_DROP || mistake->bend == BEND_OPCODE ||
                      mistake->bend == BEND_ARGUMENT;
    if (by_command && jl_explain_polls(card->controller->emulator)) {
        return false;
    }
    /* 40 is a column on parts with two controllers, and an sh1107 scans columns. */
    bool columns = strcmp(card->controller->name, "sh1107") == 0;
    if ((card->controller->chips && mistake->bend == BEND_OPCODE && mistake->opcode == 0x40) ||
        (columns && mistake->alter == half_height)) {
        return false;
    }
    int bits = card->format->bits_per_pixel * card->format->planes;
    unsigned kind = card->controller->driver->paper ? PAPER
                    : bits > 4                      ? COLOR
                    : bits > 1                      ? GREY
                                                    : MONO;
    const char *name = mistake->controller;
    bool bus = !(mistake->where & BUSES) || mistake->where & BUSES & bus_kinds(card->bus);
    /* On the way a command is known on buses that have D/C in some form, and on I2C. */
    bool can_bend = !mistake->bend || mistake->bend == BEND_SILENT || bus_kinds(card->bus);
    return mistake->where & kind && bus && can_bend &&
           (!name || strncmp(card->controller->name, name, strlen(name)) == 0);
}
