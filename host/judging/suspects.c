/* The usual mistakes, each made for once. */
#include "jadelamp/host/suspects.h"

#include <stdlib.h>
#include <string.h>

#include "../runs/light_content.h"
#include "bend.h"

#define LIGHT_UP_PS 300000000000u

/* ALL: of dots. */
enum { MONO = 1, GREY = 2, COLOR = 4, ALL = 7, WITH_DC = 8, I2C = 16, CELLS = 32, EXPANDER = 64 };

/* One mistake: in the description (`alter`), on the way (`bend`), or in the wires (`fault`). */
struct mistake {
    struct jl_suspect told;
    unsigned where;                      /* sum of the kinds above; a bus: only there */
    const char *controller;              /* of names that begin so; NULL: any */
    bool (*alter)(struct jl_card *card); /* false: the card cannot have it */
    enum bend_kind bend;
    uint8_t opcode, value;
    const char *fault;
    bool (*alter_glass)(struct jl_card *glass); /* as `alter`, of the module itself */
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

static const struct mistake mistakes[] = {
    {{"mirrored-x", "left and right exchanged", "change the mounting, or MX, A0/A1"},
     ALL,
     NULL,
     mirror_x,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"mirrored-y", "top and bottom exchanged", "change the mounting, or MY, C0/C8"},
     ALL,
     NULL,
     mirror_y,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"upside-down", "turned by half", "change both directions, or the orientation"},
     ALL,
     NULL,
     upside_down,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"turned", "turned by a quarter", "change the orientation"},
     GREY | COLOR,
     NULL,
     turned,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"shifted", "offset: 2 columns, 1 row",
      "set first-column and first-row as the glass is bonded"},
     ALL,
     NULL,
     shifted,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"colors", "red and blue exchanged", "change the order of colours: BGR, bit 3 of 36"},
     COLOR,
     NULL,
     color_order,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"negative", "inversion the other way (IPS)", "say ips, or send 21 or 20"},
     COLOR,
     NULL,
     inversion,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"bytes", "bytes of a pixel exchanged", "send the high byte of a pixel first"},
     COLOR | WITH_DC,
     NULL,
     NULL,
     BEND_SWAP,
     0,
     0,
     NULL,
     NULL},
    {{"depth", "18 bits set, 16 sent", "set the format of the frame: 3A 55"},
     COLOR | WITH_DC,
     NULL,
     NULL,
     BEND_ARGUMENT,
     0x3A,
     0x66,
     NULL,
     NULL},
    {{"depth-12", "12 bits set, 16 sent", "set the format of the frame: 3A 55"},
     COLOR | WITH_DC,
     "st7",
     NULL,
     BEND_ARGUMENT,
     0x3A,
     0x53,
     NULL,
     NULL},
    {{"asleep", "sleep out (11) is missing", "send 11, and wait 120 ms"},
     COLOR,
     NULL,
     NULL,
     BEND_DROP,
     0x11,
     0,
     NULL,
     NULL},
    {{"off-color", "display on (29) is missing", "send 29 at the end"},
     COLOR,
     NULL,
     NULL,
     BEND_DROP,
     0x29,
     0,
     NULL,
     NULL},
    {{"off", "display on (AF) is missing", "send AF at the end"},
     MONO | GREY,
     NULL,
     NULL,
     BEND_DROP,
     0xAF,
     0,
     NULL,
     NULL},
    {{"pump", "charge pump (8D 14) is missing", "send 8D 14 before AF"},
     MONO,
     "ssd1306",
     NULL,
     BEND_DROP,
     0x8D,
     0,
     NULL,
     NULL},
    {{"pump-sh", "converter (AD 8B) is off", "send AD 8B before AF"},
     MONO,
     "sh1106",
     NULL,
     BEND_ARGUMENT,
     0xAD,
     0x8A,
     NULL,
     NULL},
    {{"com-pins", "COM pins the other way (DA)", "say rows, or send DA 12 or 02"},
     MONO,
     "ssd13",
     other_rows,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"half-height", "taken for half the height", "say its height: A8, and DA"},
     MONO,
     NULL,
     half_height,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"start-line", "start line 20 (40+n)", "send 40"},
     MONO,
     NULL,
     NULL,
     BEND_OPCODE,
     0x40,
     0x54,
     NULL,
     NULL},
    {{"offset-d3", "display offset 16 (D3)", "send D3 00"},
     MONO,
     NULL,
     NULL,
     BEND_ARGUMENT,
     0xD3,
     0x10,
     NULL,
     NULL},
    {{"page-mode", "page mode, sent as horizontal", "send 20 00"},
     MONO,
     "ssd13",
     NULL,
     BEND_ARGUMENT,
     0x20,
     0x02,
     NULL,
     NULL},
    {{"vertical", "vertical mode, sent as horizontal", "send 20 00"},
     MONO,
     "ssd13",
     NULL,
     BEND_ARGUMENT,
     0x20,
     0x01,
     NULL,
     NULL},
    {{"all-on", "all pixels on (A5)", "send A4"},
     MONO,
     NULL,
     NULL,
     BEND_OPCODE,
     0xA4,
     0xA5,
     NULL,
     NULL},
    {{"negative-mono", "inverted (A7)", "send A6"},
     MONO,
     NULL,
     NULL,
     BEND_OPCODE,
     0xA6,
     0xA7,
     NULL,
     NULL},
    {{"faint", "contrast of 1", "set the contrast"},
     MONO | GREY,
     NULL,
     faint,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"as-ssd1306", "taken for an ssd1306", "use the card of this controller"},
     MONO,
     "sh1106",
     as_ssd1306,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"as-sh1106", "taken for an sh1106", "use the card of this controller"},
     MONO,
     "ssd13",
     as_sh1106,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"as-st7735", "taken for an st7735", "use the card of this controller"},
     COLOR | WITH_DC,
     NULL,
     as_st7735,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"as-st7789", "taken for an st7789", "use the card of this controller"},
     COLOR | WITH_DC,
     NULL,
     as_st7789,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"as-ili9341", "taken for an ili9341", "use the card of this controller"},
     COLOR | WITH_DC,
     NULL,
     as_ili9341,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"dc", "D/C inverted", "drive D/C low for commands"},
     ALL | WITH_DC,
     NULL,
     NULL,
     BEND_DC,
     0,
     0,
     NULL,
     NULL},
    {{"dc-low", "D/C stuck low", "look at the D/C pin"},
     ALL | WITH_DC,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "dc-low",
     NULL},
    {{"dc-high", "D/C stuck high", "look at the D/C pin"},
     ALL | WITH_DC,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "dc-high",
     NULL},
    {{"cs", "CS never low", "look at the CS pin"},
     ALL | WITH_DC,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "cs-high",
     NULL},
    {{"fast", "clock eight times too fast", "lower the clock"},
     ALL | WITH_DC,
     NULL,
     fast,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"sda", "SDA held low, or no pull-up", "look at SDA, SCL and their pull-ups"},
     ALL | I2C,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "sda-low",
     NULL},
    {{"bits", "bits flipped on long wires", "shorten the wires, lower the clock"},
     ALL,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "flip=4000",
     NULL},

    {{"silent", "nothing is sent", "look at E, RS and the supply; wait 50 ms before the first"},
     CELLS,
     NULL,
     NULL,
     BEND_SILENT,
     0,
     0,
     NULL,
     NULL},
    {{"pale", "contrast trimmed too low", "turn the trimmer; V0 near ground"},
     CELLS,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     NULL,
     trimmed_low},
    {{"blocks", "contrast trimmed too high", "turn the trimmer the other way"},
     CELLS,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     NULL,
     trimmed_high},
    {{"one-row", "taken for one row", "say the rows: 28 for two (function set)"},
     CELLS,
     NULL,
     one_row,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"two-rows", "taken for two rows", "say size = COLUMNS x 4"},
     CELLS,
     NULL,
     two_rows,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"columns", "taken for fewer columns", "say the columns: row 3 begins behind row 1"},
     CELLS,
     NULL,
     fewer_columns,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"halves", "halves of a row, or one row", "say halves as the module is"},
     CELLS,
     NULL,
     halves,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"rom", "the other character ROM", "say rom as the part's suffix does"},
     CELLS,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     NULL,
     other_rom},
    {{"outputs", "the expander wired otherwise", "say outputs as they are"},
     EXPANDER,
     NULL,
     other_outputs,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"data-order", "D4 to D7 in reverse", "say outputs as they are"},
     EXPANDER,
     NULL,
     nibble_turned,
     BEND_NOTHING,
     0,
     0,
     NULL,
     NULL},
    {{"rs-low", "RS stuck low", "look at the RS pin"},
     CELLS,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "rs-low",
     NULL},
    {{"rs-high", "RS stuck high", "look at the RS pin"},
     CELLS,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "rs-high",
     NULL},
    {{"d7", "D7 stuck low", "look at the D7 pin"},
     CELLS,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "d7-low",
     NULL},
    {{"d4", "D4 stuck high", "look at the D4 pin"},
     CELLS,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "d4-high",
     NULL},
    {{"bus", "SDA held low, or no pull-up", "look at SDA, SCL and their pull-ups"},
     EXPANDER,
     NULL,
     NULL,
     BEND_NOTHING,
     0,
     0,
     "sda-low",
     NULL},
};
enum { MISTAKES = sizeof mistakes / sizeof mistakes[0] };

/* ---- making one ---- */

static bool has_dc_pin(int bus) {
    return bus == JL_BUS_SPI || bus == JL_BUS_8080_8 || bus == JL_BUS_6800_8;
}

static bool fits(const struct mistake *mistake, const struct jl_card *card) {
    if (card->cells.bus) {
        return mistake->where & CELLS ||
               (mistake->where & EXPANDER && card->cells.bus == JL_CELLS_EXPANDER);
    }
    int bits = card->format->bits_per_pixel * card->format->planes;
    unsigned kind = bits > 4 ? COLOR : bits > 1 ? GREY : MONO;
    const char *name = mistake->controller;
    bool bus = !(mistake->where & (WITH_DC | I2C)) ||
               (mistake->where & WITH_DC && has_dc_pin(card->bus)) ||
               (mistake->where & I2C && card->bus == JL_BUS_I2C);
    return mistake->where & kind && bus &&
           (!name || strncmp(card->controller->name, name, strlen(name)) == 0);
}

static void show(struct jl_rig *rig, const struct jl_card *glass) {
    jl_status status = jl_rig_wake(rig);
    if (status == JL_OK && glass->cells.bus) {
        (void)jl_char_test_card(&rig->cells, glass->controller->name);
    } else if (status == JL_OK) {
        jl_host_draw_test_card(jl_rig_frame(rig), glass->controller->name);
        status = jl_rig_present(rig);
    }
    if (glass->module & JL_MODULE_LIGHT_WIRED) {
        (void)jl_panel_light(&rig->panel, true);
    }
    jl_board_wait_ps(rig->board, LIGHT_UP_PS);
}

static int scale_of(const struct jl_card *card) {
    int width = card->cells.bus ? 6 * card->width : card->turn & 1 ? card->height : card->width;
    int scale = 300 / (width + 6);
    return scale < 2 ? 2 : scale > 4 ? 4 : scale;
}

/* The glass under a mistake; NULL: none. False: the card cannot have it, or there is no memory. */
static bool photograph(const struct jl_card *card, const struct mistake *mistake,
                       struct jl_picture *photo, const char **dark) {
    struct jl_card typed = *card, glass = *card; /* large; on the desktop's stack */
    struct jl_rig *rig = calloc(1, sizeof *rig);
    struct bend *bend = calloc(1, sizeof *bend);
    struct jl_complaint ignored = {""};
    bool good = rig && bend && (!mistake || !mistake->alter || mistake->alter(&typed)) &&
                (!mistake || !mistake->alter_glass || mistake->alter_glass(&glass)) &&
                jl_rig_open_on(rig, &typed, &glass, &ignored);
    bool open = good;
    if (good && mistake) {
        *bend = (struct bend){
            .kind = mistake->bend, .opcode = mistake->opcode, .value = mistake->value};
        if (mistake->bend != BEND_NOTHING && mistake->bend != BEND_SILENT) {
            jl_host_bend_stand(bend, rig);
        }
        struct jl_fault fault;
        good = !mistake->fault || (jl_fault_read(mistake->fault, &fault, &ignored) &&
                                   jl_fault_inject(&fault, 1, rig, UINT64_MAX, &ignored));
    }
    if (good) {
        if (!mistake || mistake->bend != BEND_SILENT) {
            show(rig, card);
        }
        rig->card.turn = card->turn; /* the glass is mounted as it is */
        *dark = jl_device_why_dark(rig->device);
        good = jl_rig_photo(rig, scale_of(card), photo);
    }
    if (open) {
        jl_rig_close(rig);
    }
    free(rig);
    free(bend);
    return good;
}

static bool same(const struct jl_picture *a, const struct jl_picture *b) {
    return a->width == b->width && a->height == b->height &&
           memcmp(a->rgb, b->rgb, (size_t)a->width * (size_t)a->height * 3) == 0;
}

bool jl_suspects_draw(const struct jl_card *card, struct jl_suspects *suspects,
                      struct jl_complaint *complaint) {
    const char *dark = NULL;
    memset(suspects, 0, sizeof *suspects);
    if (!card->cells.bus && (card->controller->scanned || card->controller->driver->paper)) {
        return jl_complain(complaint,
                           "%s is %s: suspects are drawn of panels that show their memory",
                           card->name, card->controller->scanned ? "scanned out" : "e-paper");
    }
    if (!photograph(card, NULL, &suspects->right, &dark)) {
        return jl_complain(complaint, "cannot build the board for %s", card->name);
    }
    suspects->bezel = 3 * scale_of(card); /* of three dots: jl_glass_photo() */
    for (int i = 0; i < MISTAKES && suspects->count < JL_SUSPECTS_MOST; i++) {
        struct jl_picture *photo = &suspects->photos[suspects->count];
        dark = NULL;
        if (!fits(&mistakes[i], card) || !photograph(card, &mistakes[i], photo, &dark)) {
            continue;
        }
        if (same(photo, &suspects->right)) { /* this card bears it */
            jl_picture_free(photo);
            continue;
        }
        suspects->list[suspects->count] = mistakes[i].told;
        suspects->dark[suspects->count++] = dark;
    }
    return true;
}

void jl_suspects_free(struct jl_suspects *suspects) {
    jl_picture_free(&suspects->right);
    for (int i = 0; i < suspects->count; i++) {
        jl_picture_free(&suspects->photos[i]);
    }
    suspects->count = 0;
}
