/* Panel cards as C. */
#include "jadelamp/host/bake_card.h"

#include <ctype.h>
#include <string.h>

#include "c_files.h"
#include "card_as_c.h"
#include "jadelamp/char_panel.h"
#include "jadelamp/host/bake_picture.h"
#include "jadelamp/wake.h"

/* ---- names of the library ---- */

/* The controller's constant, with its memory as strapped. NULL: there is none of that size. */
static const char *controller_of(const struct jl_card *card, char *name, size_t size) {
    const struct jl_controller *driver = card->controller->driver;
    bool usual = !card->ram_width ||
                 (card->ram_width == driver->ram_width && card->ram_height == driver->ram_height);
    snprintf(name, size, "jl_%s", card->controller->name);
    if (!usual) { /* as pins GM strap it */
        static const char *const strapped[] = {"jl_st7735_128x160", "jl_st7735_132x132",
                                               "jl_ili9163_128x160"};
        snprintf(name, size, "jl_%s_%dx%d", card->controller->name, card->ram_width,
                 card->ram_height);
        for (size_t i = 0; i < sizeof strapped / sizeof strapped[0]; i++) {
            if (strcmp(name, strapped[i]) == 0) {
                return name;
            }
        }
        return NULL;
    }
    return name;
}

static const char *bus_of(const struct jl_card *card) {
    static const char *const names[] = {
        [JL_BUS_I2C] = "jl_bus_i2c",
        [JL_BUS_SPI] = "jl_bus_spi",
        [JL_BUS_SPI_3WIRE] = "jl_bus_spi_3wire",
        [JL_BUS_8080_8] = "jl_bus_8080_8",
        [JL_BUS_8080_16] = "jl_bus_8080_16",
        [JL_BUS_6800_8] = "jl_bus_6800_8",
        [JL_BUS_ST7920_SERIAL] = "jl_bus_st7920_serial",
        [JL_BUS_MEMORY_LCD] = "jl_bus_memory_lcd",
    };
    bool paced = card->bus == JL_BUS_6800_8 && card->controller->driver->byte_us;
    return card->controller->own_bus ? card->controller->own_bus_name
           : paced                   ? "jl_bus_6800_8_paced"
                                     : names[card->bus];
}

/* ---- the header ---- */

static void write_upper(FILE *out, const char *text) {
    for (; *text; text++) {
        fputc(toupper((unsigned char)*text), out);
    }
}

/* A name that C takes as a word stands for itself: whoever knows the microcontroller has it. */
static bool is_word(const char *text) {
    for (const char *c = text; *c; c++) {
        if (!isalnum((unsigned char)*c) && *c != '_') {
            return false;
        }
    }
    return true;
}

static void write_pins(FILE *out, const struct jl_card *card, const char *name) {
    for (size_t i = 0; i < card->pin_count; i++) {
        const struct jl_card_pin *pin = &card->pins[i];
        fputs(is_word(pin->name) ? "#define " : "/* ", out);
        write_upper(out, name);
        fputs("_PIN_", out);
        write_upper(out, pin->wire);
        fprintf(out, is_word(pin->name) ? " %s\n" : " is %s */\n", pin->name);
    }
}

static void write_header(FILE *out, const struct jl_card *card, const char *name) {
    fprintf(out, "/*\n * %s, %d x %d pixels.\n */\nextern const struct jl_panel_config %s;\n\n",
            card->controller->name, card->width, card->height, name);
    if (card->clock_hz) {
        fputs("#define ", out);
        write_upper(out, name);
        fprintf(out, "_CLOCK_HZ %luu\n", (unsigned long)card->clock_hz);
    }
    if (card->cycle_ns) {
        fputs("#define ", out);
        write_upper(out, name);
        fprintf(out, "_CYCLE_NS %luu\n", (unsigned long)card->cycle_ns);
    }
    write_pins(out, card, name);
}

/* ---- the body ---- */

static unsigned ms_at(const uint8_t *at) {
    return at[0] | (unsigned)at[1] << 8;
}

static void write_steps(FILE *out, const struct jl_card *card) {
    for (size_t at = 0; at < card->wake_bytes;) {
        const uint8_t *step = card->wake_steps + at;
        switch (step[0]) {
        case JL_STEP_CODE_WAIT_MS:
            fprintf(out, "    JL_STEP_WAIT_MS(%u),\n", ms_at(step + 1));
            at += 3;
            break;
        case JL_STEP_CODE_WAIT_BUSY:
            fprintf(out, "    JL_STEP_WAIT_BUSY(%d, %u),\n", step[1], ms_at(step + 2));
            at += 4;
            break;
        case JL_CHAR_STEP_CODE_PULSE:
            fprintf(out, "    JL_CHAR_STEP_PULSE(0x%X),\n", step[1]);
            at += 2;
            break;
        case JL_STEP_CODE_SETUP:
        case JL_STEP_CODE_CLEAR:
            fprintf(out, "    JL_STEP_%s,\n", step[0] == JL_STEP_CODE_SETUP ? "SETUP" : "CLEAR");
            at++;
            break;
        default:
            fputs("    JL_STEP_SEND(", out);
            for (int i = 1; i <= step[0]; i++) {
                fprintf(out, "%s0x%02X", i > 1 ? ", " : "", step[i]);
            }
            fputs("),\n", out);
            at += 1u + step[0];
            break;
        }
    }
    fputs("};\n\n", out);
}

/* "JL_MODULE_IPS | JL_MODULE_RESET_WIRED" */
static void write_module(FILE *out, uint8_t module) {
    static const char *const names[] = {"ROWS_OTHER",  "MIRROR_X", "MIRROR_Y", "EXTERNAL_SUPPLY",
                                        "RESET_WIRED", "BGR",      "IPS",      "LIGHT_WIRED"};
    const char *between = "    .module = ";
    for (int bit = 0; bit < 8; bit++) {
        if (module >> bit & 1) {
            fprintf(out, "%sJL_MODULE_%s", between, names[bit]);
            between = " | ";
        }
    }
    fputs(module ? ",\n" : "", out);
}

static void write_turn(FILE *out, uint8_t turn) {
    if (turn) {
        fprintf(out, "    .turn = JL_TURN_%d%s,\n", (turn & 3) * 90,
                turn & JL_TURN_MIRROR ? " | JL_TURN_MIRROR" : "");
    }
}

static void write_number(FILE *out, const char *member, long number) {
    if (number) {
        fprintf(out, "    .%s = %ld,\n", member, number);
    }
}

static void write_config(FILE *out, const struct jl_card *card, const char *name,
                         const char *controller) {
    fprintf(out,
            "const struct jl_panel_config %s = {\n    .controller = &%s,\n    .bus = &%s,\n"
            "    .format = &%s,\n    .width = %d,\n    .height = %d,\n",
            name, controller, bus_of(card), jl_bake_format_constant(card->format), card->width,
            card->height);
    write_number(out, "column_offset", card->column_offset);
    write_number(out, "row_offset", card->row_offset);
    if (card->i2c_address) {
        fprintf(out, "    .i2c_address = 0x%02X,\n", card->i2c_address);
    }
    write_module(out, card->module);
    /* Of e-paper it is the frame that is turned: jl_target_turn(). */
    write_turn(out, card->controller->driver->paper ? 0 : card->turn);
    write_number(out, "contrast", card->contrast);
    if (card->inverted) {
        fputs("    .inverted = true,\n", out);
    }
    if (card->has_wake) {
        fputs("    .wake_steps = steps,\n    .wake_steps_bytes = sizeof steps,\n", out);
    }
    fputs("};\n", out);
}

/* ---- character modules ---- */

static void write_cells_header(FILE *out, const struct jl_card *card, const char *name) {
    fprintf(out, "/*\n * %s, %d x %d cells.\n */\nextern const struct jl_char_config %s;\n",
            card->controller->name, card->width, card->height, name);
    if (card->has_wake) {
        fprintf(out,
                "/* For jl_char_wake_by(&panel, %s_steps, sizeof %s_steps). */\n"
                "extern const uint8_t %s_steps[%u];\n",
                name, name, name, card->wake_bytes);
    }
    fputc('\n', out);
    write_pins(out, card, name);
}

static void write_bit(FILE *out, const char *member, int bit) {
    if (bit >= 0) {
        fprintf(out, "    .%s = 0x%02X,\n", member, 1u << bit);
    }
}

static void write_expander(FILE *out, const struct jl_cells_wiring *wiring) {
    fputs("static const struct jl_char_expander outputs = {\n", out);
    write_bit(out, "rs", wiring->rs);
    write_bit(out, "rw", wiring->rw);
    write_bit(out, "e", wiring->e);
    write_bit(out, "e2", wiring->e2);
    write_bit(out, "light", wiring->light);
    fputs("    .data = {", out);
    for (int i = 0; i < 4; i++) {
        fprintf(out, "%s0x%02X", i ? ", " : "", 1u << wiring->data[i]);
    }
    fprintf(out, "},\n    .light_low = %s,\n};\n\n", wiring->light_low ? "true" : "false");
}

static void write_cells(FILE *out, const struct jl_card *card, const char *name) {
    const struct jl_card_cells *cells = &card->cells;
    bool expander = cells->bus == JL_CELLS_EXPANDER;
    bool lines = cells->bus == JL_CELLS_PARALLEL_4 || cells->bus == JL_CELLS_PARALLEL_8;
    const char *own = card->controller->wire_name;
    const char *flags = card->works_up_to ? "JL_CHAR_FAST_EXPANDER" : NULL;
    if (expander) {
        write_expander(out, &cells->outputs);
    }
    if (card->has_wake) {
        fprintf(out, "const uint8_t %s_steps[] = {\n", name);
        write_steps(out, card);
    }
    fprintf(out,
            "const struct jl_char_config %s = {\n    .wire = &jl_char_wire_%s%s%s,\n%s"
            "    .columns = %d,\n    .rows = %d,\n",
            name,
            expander                            ? "expander"
            : cells->bus == JL_CELLS_I2C        ? own
            : cells->bus == JL_CELLS_PARALLEL_4 ? "4"
                                                : "8",
            lines && own ? "_" : "",
            lines && own        ? own
            : cells->reads_busy ? "_busy"
                                : "",
            cells->only_ascii     ? ""
            : cells->european_rom ? "    .rom = &jl_char_rom_a02,\n"
                                  : "    .rom = &jl_char_rom_a00,\n",
            card->width, card->height);
    if (expander) {
        fputs("    .expander = &outputs,\n", out);
    }
    if (card->i2c_address) {
        fprintf(out, "    .i2c_address = 0x%02X,\n", card->i2c_address);
    }
    if (cells->halves || flags) {
        fprintf(out, "    .flags = %s%s%s,\n", cells->halves ? "JL_CHAR_HALVES" : "",
                cells->halves && flags ? " | " : "", flags ? flags : "");
    }
    fputs("};\n", out);
}

/* ---- either of them ---- */

void jl_host_card_write_header(FILE *out, const struct jl_card *card, const char *name) {
    if (card->cells.bus) {
        write_cells_header(out, card, name);
    } else {
        write_header(out, card, name);
    }
}

bool jl_host_card_write_body(FILE *out, const struct jl_card *card, const char *name,
                             struct jl_complaint *complaint) {
    char controller[40];
    if (card->cells.bus) {
        write_cells(out, card, name);
        return true;
    }
    if (card->controller->scanned) {
        return jl_complain(complaint,
                           "%s is scanned out: its description is not baked here; see scanout.h",
                           card->name);
    }
    if (!controller_of(card, controller, sizeof controller)) {
        return jl_complain(complaint, "%s: the library has no %s with a memory of %d x %d",
                           card->name, card->controller->name, card->ram_width, card->ram_height);
    }
    if (card->has_wake) {
        fputs("static const uint8_t JL_FLASH steps[] = {\n", out);
        write_steps(out, card);
    }
    write_config(out, card, name, controller);
    return true;
}

bool jl_card_bake(const struct jl_card *card, const char *directory, const char *name,
                  const char *made, struct jl_complaint *complaint) {
    struct c_files files;
    if (!jl_host_c_files_begin(&files, directory, name, made, "jadelamp/jadelamp.h", complaint)) {
        return false;
    }
    jl_host_card_write_header(files.header.stream, card, name);
    if (!jl_host_card_write_body(files.body.stream, card, name, complaint)) {
        jl_file_abandon(&files.header);
        jl_file_abandon(&files.body);
        return false;
    }
    return jl_host_c_files_commit(&files, complaint);
}
