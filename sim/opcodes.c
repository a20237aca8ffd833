/* Opcodes as they come, and those that a part does not have: a relative's, or its own with the bits
 * turned around. */
#include "device.h"

#include <stdio.h>

/* So many different unknown ones are no chance, all or most of which are commands from the other
 * end. */
enum { FEW = 4, ENOUGH = 6 };

/*
 * Whose commands they may be, known ones first. Parts that differ in their analogue settings only
 * count as one; gc9a01 takes nearly all opcodes and would always fit.
 */
static const struct {
    const char *name;
    const struct command_set *set;
} relatives[] = {
    {"ssd1306", &jl_sim_ssd1306_commands}, {"sh1106", &jl_sim_sh1106_commands},
    {"sh1107", &jl_sim_sh1107_commands},   {"ssd1305", &jl_sim_ssd1305_commands},
    {"ssd1309", &jl_sim_ssd1309_commands}, {"ssd1315", &jl_sim_ssd1315_commands},
    {"st7565", &jl_sim_st7565_commands},   {"uc1701", &jl_sim_uc1701_commands},
    {"uc1609", &jl_sim_uc1609_commands},   {"ssd1325", &jl_sim_ssd1325_commands},
    {"ssd1327", &jl_sim_ssd1327_commands}, {"ssd1322", &jl_sim_ssd1322_commands},
    {"ssd1331", &jl_sim_ssd1331_commands}, {"ssd1351", &jl_sim_ssd1351_commands},
    {"st7789", &jl_sim_st7789_commands},   {"ili9341", &jl_sim_ili9341_commands},
    {"st7735", &jl_sim_st7735_commands},   {"ili9488", &jl_sim_ili9488_commands},
    {"st7796", &jl_sim_st7796_commands},   {"ili9163", &jl_sim_ili9163_commands},
    {"hx8357", &jl_sim_hx8357_commands},   {"ssd1680 or ssd1681", &jl_sim_ssd1680_commands},
    {"uc8151", &jl_sim_uc8151_commands},   {"uc8176 or uc8179", &jl_sim_uc8179_commands},
};

enum { FEWEST = 3, MOST_NAMED = 4 };

static uint8_t reversed(uint8_t byte) {
    uint8_t out = 0;
    for (int bit = 0; bit < 8; bit++) {
        out = (uint8_t)(out << 1 | (byte >> bit & 1));
    }
    return out;
}

static bool is_noted(const struct jl_device *device, unsigned opcode) {
    return device->opcodes[opcode / 8] >> (opcode % 8) & 1;
}

/*
 * Of the opcodes that came: how many the part does not know, how many of those another one knows,
 * and how well that one fits all of them. A range of many opcodes is weak evidence.
 */
struct share {
    int unknown, known, fit, fit_unknown;
};
enum { STRONG = 2, WEAK = 1, NARROW = 4 };

static int evidence(const struct command_set *set, uint8_t opcode) {
    const struct command *command = jl_sim_find_command(set, opcode);
    return !command ? 0 : command->last - command->first < NARROW ? STRONG : WEAK;
}

static struct share share_of(const struct jl_device *device, const struct command_set *set,
                             bool from_the_other_end) {
    struct share share = {0, 0, 0, 0};
    for (unsigned opcode = 0; opcode < 256; opcode++) {
        if (is_noted(device, opcode)) {
            uint8_t read = from_the_other_end ? reversed((uint8_t)opcode) : (uint8_t)opcode;
            bool here = jl_sim_find_command(device->part->commands, (uint8_t)opcode);
            int there = evidence(set, read);
            share.unknown += !here;
            share.known += !here && there;
            share.fit += there;
            share.fit_unknown += here ? 0 : there;
        }
    }
    return share;
}

static bool is_better(const struct share *one, const struct share *other) {
    return one->fit_unknown != other->fit_unknown ? one->fit_unknown > other->fit_unknown
                                                  : one->fit > other->fit;
}

static void tell_relative(struct jl_device *device, const struct share *share,
                          const char *const *names, size_t count) {
    char text[80];
    size_t length = 0;
    for (size_t i = 0; i < count && length < sizeof text; i++) {
        const char *between = i == 0 ? "" : i + 1 == count ? " or " : ", ";
        length += (size_t)snprintf(text + length, sizeof text - length, "%s%s", between, names[i]);
    }
    jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_RELATIVE,
                         "%d of %d commands unknown here are known to %s: is that the part, or "
                         "what the program is for?",
                         share->known, share->unknown, text);
}

/*
 * Says what the unknown ones may be, when that is no chance: those of "a, b or c", or the part's
 * own from the other end. Not all need make sense, since arguments may be among them.
 */
static void explain_unknown(struct jl_device *device) {
    const char *names[MOST_NAMED];
    size_t count = 0;
    struct share best = {0, 0, 0, 0};
    struct share turned = share_of(device, device->part->commands, true);
    for (size_t i = 0; i < sizeof relatives / sizeof relatives[0]; i++) {
        if (relatives[i].set == device->part->commands) {
            continue;
        }
        struct share share = share_of(device, relatives[i].set, false);
        bool better = is_better(&share, &best);
        count = better ? 0 : count;
        best = better ? share : best;
        if (count < MOST_NAMED && !is_better(&best, &share)) {
            names[count++] = relatives[i].name;
        }
    }
    int unknown = turned.unknown, wrong = unknown - turned.known;
    if (turned.fit > best.fit &&
        ((unknown >= FEW && wrong == 0) || (unknown >= ENOUGH && 3 * wrong <= unknown))) {
        device->reversed_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BITS_REVERSED,
                             "the unknown commands are commands with their bits reversed: %s",
                             jl_sim_device_is_serial(device)
                                 ? "the least significant bit comes first; send the most "
                                   "significant one first"
                                 : "D0 to D7 are wired in the other order");
    } else if (unknown >= FEWEST && 2 * best.fit_unknown >= 3 * unknown &&
               !device->arguments_missing) {
        tell_relative(device, &best, names, count);
    }
}

static void report_unknown(struct jl_device *device, uint8_t opcode) {
    const struct stranger *stranger = device->part->strangers;
    while (stranger && stranger->instead && (opcode < stranger->first || opcode > stranger->last)) {
        stranger++;
    }
    bool explained = stranger && stranger->instead;
    jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_UNKNOWN_COMMAND,
                         "unknown command %02X%s%s", opcode, explained ? ": " : "",
                         explained ? stranger->instead : "");
}

/* Good after power-up; after a warm start the registers are what the program before left. */
static void tell_never_reset(struct jl_device *device, uint8_t opcode) {
    uint8_t soft_reset = device->part->commands->soft_reset;
    if (soft_reset && !device->command_came && opcode != soft_reset && !device->reset_came) {
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_RESET_MISSING,
                             "neither the reset pin nor %02X came before the first command: after "
                             "a warm start old settings stay",
                             soft_reset);
    }
    device->command_came = true;
}

const struct command *jl_sim_take_opcode(struct jl_device *device, uint8_t opcode) {
    const struct command *known = jl_sim_find_command(device->part->commands, opcode);
    bool fresh = !is_noted(device, opcode);
    jl_sim_judge_look(device);
    tell_never_reset(device, opcode);
    device->opcodes[opcode / 8] |= (uint8_t)(1u << (opcode % 8));
    if (!known) {
        report_unknown(device, opcode);
    }
    if (!known && fresh && !device->reversed_reported) {
        explain_unknown(device);
    }
    return known;
}

const char *jl_sim_slip_words(const struct jl_device *device, uint8_t argument) {
    /* From 80 on are the commands that arguments rarely look like. */
    return argument >= 0x80 && jl_sim_find_command(device->part->commands, argument)
               ? "; it is a command: is an argument missing before it?"
               : "";
}
