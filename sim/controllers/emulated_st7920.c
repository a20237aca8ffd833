/*
 * Emulated st7920 (datasheet: function description, instruction sets 1 and 2,
 * serial interface). The graphics RAM is 64 rows of 16 words; a 128x64 glass shows rows 0..31, with
 * words 8..15 of a row as its lower half. Text is 16 x 4 characters of 8x16 from a ROM that we
 * drew, four symbols of 16x16 from CGRAM among them; addresses 80, 90, 88, 98 begin its rows.
 *
 * Serial: five ones in a row begin a sync byte, 11111 RW RS 0; each byte follows as two of the
 * wire, high nibble first, both in bits 7..4. CS low starts anew.
 *
 * Taken where the datasheet leaves room: a byte that ends earlier than 72 us (1.6 ms after the
 * clear) after the one before is lost and reported; where text and graphics are both lit the glass
 * is not; full-width characters (a first byte of A1 and up) are boxes; the cursor is the
 * lowest line of the word at the address counter, and a blink inverts that word for 0.4 s of 0.8;
 * a shift of the display moves each line of 16 words by one, the two halves of the glass together;
 * reversing a line reverses its text, on folded glass in both halves; the contrast is a trimmer on
 * the module. On a parallel bus of 4 lines (DL = 0) two writes make a byte, on D7..D4.
 */
#include <string.h>

#include "../device.h"
#include "char_rom.h"
#include "jadelamp/sim/emulators.h"

enum {
    RAM_ROWS = 64,
    WORDS = 16,
    SHOWN_ROWS = 32,
    HALF_WORDS = 8,
    TEXT_BYTES = 64,
    SYMBOL_BYTES = 128
};

static const uint64_t busy_ps = 72000000, clear_ps = 1600000000, boot_ps = 40000000000;
static const uint64_t blink_ps = 400000000000;

struct st7920 {
    uint16_t ram[RAM_ROWS][WORDS];
    uint8_t text[TEXT_BYTES];
    uint8_t symbols[SYMBOL_BYTES];
    int text_at, symbol_at;
    bool to_symbols; /* data goes to CGRAM */
    int row, word;
    bool row_given; /* of the two bytes of a graphics address */
    bool low_half;  /* of a word */
    uint8_t high_byte;
    bool extended, graphics, on, was_on, standby, scroll_select;
    uint8_t scroll;
    bool cursor, blinks, leftwards; /* of text */
    int shift;                      /* of the display, in words to the left */
    bool shifts;                    /* with each character */
    bool reversed[4];               /* lines of text */
    bool asleep;
    uint64_t busy_until_ps;
    bool busy_reported, lines_reported;
    /* the parallel input and output */
    bool four_lines, read_dummy;
    uint8_t given; /* what a read on 4 lines gave the half of */
    bool half_given;
    /* the serial input */
    bool synced, data, nibble_due;
    uint8_t nibble;
    bool in_reset;
    uint64_t reset_edge_ps;
};

static struct st7920 *chip_of(struct jl_device *device) {
    return device->state;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->width == 128 && glass->height <= 64 && glass->column_offset == 0;
}

static void start(struct st7920 *chip, uint64_t now_ps) {
    struct st7920 fresh = {.busy_until_ps = now_ps + boot_ps};
    memcpy(fresh.ram, chip->ram, sizeof fresh.ram);
    memcpy(fresh.symbols, chip->symbols, sizeof fresh.symbols);
    memset(fresh.text, ' ', sizeof fresh.text);
    *chip = fresh;
}

static void power_on(struct jl_device *device) {
    struct st7920 *chip = chip_of(device);
    jl_sim_device_noise(device, (uint8_t *)chip->ram, sizeof chip->ram);
    jl_sim_device_noise(device, chip->symbols, sizeof chip->symbols);
    start(chip, jl_board_now_ps(device->board));
}

static void reset(struct jl_device *device, bool low) {
    struct st7920 *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (!low && jl_sim_too_short(now - chip->reset_edge_ps, 10000000)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                             "reset was low for %llu us, at least 10 us are needed",
                             (unsigned long long)((now - chip->reset_edge_ps) / 1000000));
    }
    start(chip, now);
    chip->reset_edge_ps = now;
    chip->in_reset = low;
}

/* DL, RE and G may not change in one instruction. */
static void function_set(struct jl_device *device, uint8_t byte) {
    struct st7920 *chip = chip_of(device);
    bool extended = (byte & 4) != 0, graphics = (byte & 2) != 0;
    if (extended != chip->extended && graphics != chip->graphics && extended) {
        jl_sim_device_report(
            device, graphics ? JL_SEVERITY_ERROR : JL_SEVERITY_NOTE, JL_CODE_ARGUMENT_VALUE,
            "function set 0x%02X changes RE and G at once: G stays; send 34, then 36", byte);
        graphics = chip->graphics;
    }
    chip->four_lines = !(byte & 0x10) && !jl_sim_device_is_serial(device);
    chip->nibble_due = chip->half_given = false;
    chip->graphics = extended ? graphics : chip->graphics;
    chip->extended = extended;
    chip->row_given = false;
}

static void run_extended(struct jl_device *device, uint8_t byte) {
    struct st7920 *chip = chip_of(device);
    if (byte & 0x80) {
        if (!chip->row_given) {
            chip->row = byte & 0x3F;
            if (chip->row >= SHOWN_ROWS) {
                jl_sim_device_report(
                    device, JL_SEVERITY_WARNING, JL_CODE_ADDRESS_RANGE,
                    "row address %d is beyond the 32 that show: the lower half of the "
                    "glass is rows 0..31 from word 8 on",
                    chip->row);
            }
        } else {
            chip->word = byte & 0x0F;
            chip->low_half = false;
            chip->read_dummy = true;
        }
        chip->row_given = !chip->row_given;
    } else if (byte & 0x40) {
        chip->scroll = chip->scroll_select ? byte & 0x3F : chip->scroll;
    } else if (byte & 0x20) {
        function_set(device, byte);
    } else if ((byte & 0xFE) == 0x02) {
        chip->scroll_select = byte & 1;
    } else if (byte == 0x01) {
        chip->standby = true;
    } else if ((byte & 0xFC) == 0x04) {
        chip->reversed[byte & 3] = !chip->reversed[byte & 3];
    } else if ((byte & 0xF8) == 0x08) {
        chip->asleep = !(byte & 4);
    } else {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_UNKNOWN_COMMAND,
                             "unknown extended instruction 0x%02X", byte);
    }
}

static void shift_display(struct st7920 *chip, bool right) {
    chip->shift = (chip->shift + (right ? WORDS - 1 : 1)) % WORDS;
}

/* The address counter counts words of two bytes. */
static void step_word(struct st7920 *chip, bool leftwards) {
    int word = chip->text_at / 2 + (leftwards ? -1 : 1);
    chip->text_at = (word + TEXT_BYTES / 2) % (TEXT_BYTES / 2) * 2;
}

static void move_cursor(struct st7920 *chip, uint8_t byte) {
    if (byte & 8) {
        shift_display(chip, byte & 4);
    } else {
        step_word(chip, !(byte & 4));
    }
}

static void run_basic(struct jl_device *device, uint8_t byte) {
    struct st7920 *chip = chip_of(device);
    if (byte & 0x80) {
        chip->read_dummy = true;
        chip->text_at = (byte & 0x1F) * 2 % TEXT_BYTES;
        chip->to_symbols = false;
    } else if (byte & 0x40) {
        chip->read_dummy = true;
        chip->symbol_at = (byte & 0x3F) * 2;
        chip->to_symbols = true;
    } else if (byte & 0x20) {
        function_set(device, byte);
    } else if ((byte & 0xF0) == 0x10) {
        move_cursor(chip, byte);
    } else if ((byte & 0xF8) == 0x08) {
        chip->cursor = (byte & 2) != 0;
        chip->blinks = (byte & 1) != 0;
        chip->on = (byte & 4) != 0;
        chip->was_on |= chip->on;
    } else if (byte == 0x01) {
        memset(chip->text, ' ', sizeof chip->text);
        chip->text_at = 0;
        chip->shift = 0;
        chip->leftwards = false;
        chip->to_symbols = false;
    } else if ((byte & 0xFE) == 0x02) {
        chip->text_at = chip->shift = 0;
        chip->to_symbols = false;
    } else if (byte & 0x04) {
        chip->leftwards = !(byte & 2);
        chip->shifts = byte & 1;
    } else {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_UNKNOWN_COMMAND,
                             "unknown instruction 0x00");
    }
}

static void take_data(struct jl_device *device, uint8_t byte) {
    struct st7920 *chip = chip_of(device);
    if (!chip->extended && chip->to_symbols) {
        chip->symbols[chip->symbol_at] = byte;
        chip->symbol_at = (chip->symbol_at + 1) % SYMBOL_BYTES;
        return;
    }
    if (!chip->extended) {
        jl_sim_stored(device, 1, chip->text[chip->text_at] != byte);
        chip->text[chip->text_at] = byte;
        if (chip->text_at % 2) {
            step_word(chip, chip->leftwards);
            if (chip->shifts) {
                shift_display(chip, chip->leftwards);
            }
        } else {
            chip->text_at++;
        }
        return;
    }
    if (!chip->low_half) {
        chip->high_byte = byte;
    } else {
        uint16_t word = (uint16_t)(chip->high_byte << 8 | byte);
        jl_sim_stored(device, 1, chip->ram[chip->row][chip->word] != word);
        chip->ram[chip->row][chip->word] = word;
        chip->word = (chip->word + 1) % WORDS;
    }
    chip->low_half = !chip->low_half;
}

/* A byte is in, whole, at a time. */
static void take(struct jl_device *device, uint8_t byte, bool data, uint64_t at_ps) {
    struct st7920 *chip = chip_of(device);
    if (chip->in_reset) {
        return;
    }
    if (at_ps < chip->busy_until_ps) {
        if (!chip->busy_reported) {
            chip->busy_reported = true;
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_BUSY,
                "%s 0x%02X came %.1f us too early, while the controller was busy: it is "
                "lost (72 us a byte, 1.6 ms after 01, 40 ms after power-on)",
                data ? "data" : "instruction", byte, (double)(chip->busy_until_ps - at_ps) / 1e6);
        }
        return;
    }
    bool clears = !data && byte == 0x01 && !chip->extended;
    chip->busy_until_ps = at_ps + (clears ? clear_ps : busy_ps);
    chip->standby = false;
    if (data) {
        take_data(device, byte);
    } else if (chip->extended) {
        run_extended(device, byte);
    } else {
        run_basic(device, byte);
    }
}

static void take_serial(struct jl_device *device, uint8_t byte, uint64_t at_ps) {
    struct st7920 *chip = chip_of(device);
    if ((byte & 0xF8) == 0xF8) {
        chip->synced = true;
        chip->data = (byte & 2) != 0;
        chip->nibble_due = false;
    } else if (!chip->synced) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_SYNC_BYTE,
                             "0x%02X stands where a sync byte belongs (F8 instruction, FA data)",
                             byte);
    } else if (!chip->nibble_due) {
        chip->nibble = byte & 0xF0;
        chip->nibble_due = true;
    } else {
        chip->nibble_due = false;
        take(device, (uint8_t)(chip->nibble | byte >> 4), chip->data, at_ps);
    }
}

/* On D7..D4; the high one first. */
static void take_nibble(struct jl_device *device, uint8_t byte, bool data, uint64_t at_ps) {
    struct st7920 *chip = chip_of(device);
    if (byte & 0x0F && !chip->lines_reported) {
        chip->lines_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_NIBBLE_STEP,
                             "0x%02X has bits on D3..D0, and a function set with DL = 0 made the "
                             "bus one of 4 lines: send 30 to 36 for 8",
                             byte);
    }
    if (!chip->nibble_due) {
        chip->nibble = byte & 0xF0;
        chip->nibble_due = true;
    } else {
        chip->nibble_due = false;
        take(device, (uint8_t)(chip->nibble | byte >> 4), data, at_ps);
    }
}

/* Busy and the address counter with RS low; with RS high the memory, behind a dummy. */
static uint8_t next_read(struct jl_device *device) {
    struct st7920 *chip = chip_of(device);
    if (!device->pins[JL_DEVICE_DC]) {
        bool busy = jl_board_now_ps(device->board) < chip->busy_until_ps;
        unsigned at = (unsigned)(chip->to_symbols ? chip->symbol_at : chip->text_at) / 2;
        return (uint8_t)((busy ? 0x80u : 0) | (at & 0x7F));
    }
    if (chip->read_dummy) {
        chip->read_dummy = false;
        return 0xFF;
    }
    uint8_t byte = 0;
    if (chip->extended) {
        uint16_t word = chip->ram[chip->row][chip->word];
        byte = (uint8_t)(chip->low_half ? word : word >> 8);
        chip->word = (chip->word + chip->low_half) % WORDS;
        chip->low_half = !chip->low_half;
    } else if (chip->to_symbols) {
        byte = chip->symbols[chip->symbol_at];
        chip->symbol_at = (chip->symbol_at + 1) % SYMBOL_BYTES;
    } else {
        byte = chip->text[chip->text_at];
        chip->text_at = (chip->text_at + 1) % TEXT_BYTES;
    }
    return byte;
}

static uint8_t read(struct jl_device *device) {
    struct st7920 *chip = chip_of(device);
    if (jl_sim_device_is_serial(device) || chip->in_reset) {
        return 0xFF;
    }
    if (!chip->four_lines) {
        return next_read(device);
    }
    chip->given = chip->half_given ? (uint8_t)((unsigned)chip->given << 4) : next_read(device);
    chip->half_given = !chip->half_given;
    return chip->given | 0x0F; /* nobody drives D3..D0 */
}

static void selected(struct jl_device *device) {
    struct st7920 *chip = chip_of(device);
    chip->synced = chip->nibble_due = false;
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    uint64_t begin = jl_board_now_ps(device->board);
    uint64_t unit = jl_sim_device_unit_ps(device);
    for (size_t i = 0; i < count; i++) {
        uint64_t end = begin + (i + 1) * unit;
        device->at = i;
        if (jl_sim_device_is_serial(device)) {
            take_serial(device, bytes[i], end);
        } else if (chip_of(device)->four_lines) {
            take_nibble(device, bytes[i], data, end);
        } else {
            take(device, bytes[i], data, end);
        }
    }
}

static bool graphics_dot(const struct st7920 *chip, int x, int y) {
    int row = (y % SHOWN_ROWS + chip->scroll) % RAM_ROWS;
    int word = y / SHOWN_ROWS * HALF_WORDS + x / 16;
    return chip->graphics && (chip->ram[row][word] >> (15 - x % 16) & 1);
}

/* The first word of each row of text. */
static const int text_rows[] = {0x00, 0x10, 0x08, 0x18};

/* The word at a place of the glass. */
static int word_at(const struct st7920 *chip, int x, int y) {
    int first = text_rows[y / 16], line = first / WORDS;
    return line * WORDS + (first % WORDS + x / 16 + chip->shift) % WORDS;
}

/* A word of text is two half-width characters, a symbol, or a full-width character. */
static bool text_dot(const struct st7920 *chip, int x, int y) {
    const uint8_t *word = chip->text + 2 * word_at(chip, x, y);
    int line = y % 16, dot = x % 16;
    if (word[0] == 0) {
        const uint8_t *bytes = chip->symbols + (word[1] >> 1 & 3) * 32 + line * 2;
        return (bytes[0] << 8 | bytes[1]) >> (15 - dot) & 1;
    }
    if (word[0] >= 0x80) {
        return line == 1 || line == 14 || dot == 1 || dot == 14;
    }
    uint8_t code = word[dot / 8];
    return code < 0x80 && (jl_sim_char_rom_8x16[code][line] >> (7 - dot % 8) & 1);
}

static bool is_at_cursor(const struct st7920 *chip, int x, int y) {
    return chip->text_at / 2 == word_at(chip, x, y);
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    const struct st7920 *chip = chip_of(device);
    const struct jl_glass *glass = &device->glass;
    bool inverted = chip->blinks && jl_board_now_ps(device->board) / blink_ps % 2;
    for (int y = 0; y < glass->height; y++) {
        for (int x = 0; x < glass->width; x++) {
            bool text = text_dot(chip, x, y) != chip->reversed[text_rows[y / 16] / WORDS];
            bool dot = graphics_dot(chip, x, y) != text;
            bool here = is_at_cursor(chip, x, y);
            dot |= here && chip->cursor && y % 16 == 15;
            if (dot != (here && inverted)) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static uint8_t brightness(struct jl_device *device) {
    (void)device;
    return 255;
}

static const char *why_dark(struct jl_device *device) {
    const struct st7920 *chip = chip_of(device);
    if (chip->in_reset) {
        return "the controller is held in reset";
    }
    if (chip->standby) {
        return "the controller is in standby (01 of the extended set): send any instruction";
    }
    if (chip->asleep) {
        return "the controller sleeps (08 of the extended set): 0C of that set wakes it";
    }
    if (!chip->on) {
        return chip->was_on ? "the display is off: send 0C of the basic set"
                            : "the display was never switched on: send 30, then 0C";
    }
    for (int i = 0; !chip->graphics && i < TEXT_BYTES; i++) {
        if (chip->text[i] != ' ' || chip->reversed[0] || chip->reversed[1] || chip->cursor ||
            chip->blinks) {
            return NULL;
        }
    }
    return chip->graphics ? NULL : "there is no text, and graphics are not shown: send 34, then 36";
}

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .reset = reset,
    .write = write,
    .read = read,
    .selected = selected,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};

const struct jl_emulated_part jl_emulated_st7920 = {
    .name = "st7920",
    .commands = &jl_sim_st7920_commands,
    .machine = &machine,
    .state_bytes = sizeof(struct st7920),
    .serial_cycle_ps = 400000,
    .parallel_cycle_ps = 1200000,
    .select_high = true,
    .no_8080 = true,
};
