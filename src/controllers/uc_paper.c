/*
 * uc8151, uc8176 and uc8179 drivers (datasheets, command tables and section "operation flow"). RAM
 * of two planes, 10h and 13h: old and new, or black/white and red. Pixels go to windows (90h) of
 * the partial mode; the update (12h) is of the whole glass, in which a partial waveform leaves
 * alone what is the same in both planes. The voltages are on during an update only.
 */
#include "uc_paper.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../epaper/paper.h"

/* Of an update: 2 to 4 s, with red up to 30 s in the cold. */
#define LONGEST_MS 60000u

enum {
    SETTINGS = 0x0F,    /* 00h: scan up, shift right, booster on, no reset */
    BLACK_WHITE = 0x10, /* by old and new; else by black/white and red */
    OWN_TABLES = 0x20,
    SCAN_UP = 0x08,
    SHIFT_RIGHT = 0x04,
    BEGINS_MS = 100,
    /* Temperatures that choose waveforms: hot for fast ones; 6Eh is the uc8179's partial one. */
    DEGREES_FAST = 0x5A,
    DEGREES_PARTIAL = 0x6E,
};

static uint8_t settings_of(const struct jl_panel *panel, bool own_tables) {
    uint8_t module = jl_config_of(panel)->module;
    unsigned settings = SETTINGS;
    if (jl_format_of(panel)->layout != JL_LAYOUT_BLACK_WHITE_RED) {
        settings |= BLACK_WHITE;
    }
    if (own_tables) {
        settings |= OWN_TABLES;
    }
    if (module & JL_MODULE_MIRROR_X) {
        settings &= ~(unsigned)SHIFT_RIGHT;
    }
    if (module & JL_MODULE_MIRROR_Y) {
        settings &= ~(unsigned)SCAN_UP;
    }
    return (uint8_t)settings;
}

static uint8_t high(int16_t value) {
    return (uint8_t)((uint16_t)value >> 8);
}

static uint8_t low(int16_t value) {
    return (uint8_t)value;
}

static int16_t whole_bytes(int16_t width) {
    return (int16_t)((width + 7) & ~7);
}

uint8_t jl_uc_paper_border(const struct jl_panel *panel, const uint8_t *of_borders) {
    return of_borders[jl_epaper_config_of(panel)->border % 3];
}

/* 50h: what drives the border in bits 7..6; DDX 01: a 1 is white, or red; interval 7 */
static const uint8_t of_borders[] = {0x97, 0x57, 0xF7};

size_t jl_uc_paper_setup_narrow(const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    const uint8_t steps[] = {
        JL_STEP_SEND(0x00, settings_of(panel, false)),
        JL_STEP_SEND(0x61, low(whole_bytes(config->width)), high(config->height),
                     low(config->height)),
        JL_STEP_SEND(0x65, low(config->column_offset), high(config->row_offset),
                     low(config->row_offset)),
        JL_STEP_SEND(0x50, jl_uc_paper_border(panel, of_borders)),
    };
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

size_t jl_uc_paper_size_wide(const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    int16_t width = whole_bytes(config->width);
    const uint8_t steps[] = {
        JL_STEP_SEND(0x00, settings_of(panel, false)),
        JL_STEP_SEND(0x61, high(width), low(width), high(config->height), low(config->height)),
        JL_STEP_SEND(0x65, high(config->column_offset), low(config->column_offset),
                     high(config->row_offset), low(config->row_offset)),
    };
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

size_t jl_uc_paper_setup_wide(const struct jl_panel *panel, uint8_t *out) {
    size_t bytes = jl_uc_paper_size_wide(panel, out);
    const uint8_t steps[] = {JL_STEP_SEND(0x50, jl_uc_paper_border(panel, of_borders))};
    memcpy(out + bytes, steps, sizeof steps);
    return bytes + sizeof steps;
}

size_t jl_uc_paper_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                           uint8_t *out) {
    static const uint8_t steps[] = {JL_STEP_SEND(0x07, 0xA5)}; /* deep sleep, with its key */
    /* Only a reset ends it. */
    if (what != JL_SETTING_POWER || value ||
        !(jl_config_of(panel)->module & JL_MODULE_RESET_WIRED)) {
        return 0;
    }
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

static uint8_t plane_opcode(const struct jl_panel *panel, const struct jl_stretch *stretch) {
    /* Two planes as they are; of one picture the new one is the second. */
    bool second = jl_format_of(panel)->planes > 1 ? stretch->plane : panel->plane == PLANE_NEW;
    return second ? 0x13 : 0x10;
}

size_t jl_uc_paper_window_narrow(const struct jl_panel *panel, const struct jl_stretch *stretch,
                                 uint8_t *out) {
    const struct jl_rect area = stretch->area;
    int16_t bottom = (int16_t)(area.y + area.h - 1);
    const uint8_t steps[] = {
        JL_STEP_SEND(0x91),
        JL_STEP_SEND(0x90, low(area.x), low((int16_t)(area.x + area.w - 1)), high(area.y),
                     low(area.y), high(bottom), low(bottom), 0x01),
        JL_STEP_SEND(plane_opcode(panel, stretch)),
    };
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

size_t jl_uc_paper_window_wide(const struct jl_panel *panel, const struct jl_stretch *stretch,
                               uint8_t *out) {
    const struct jl_rect area = stretch->area;
    int16_t right = (int16_t)(area.x + area.w - 1);
    int16_t bottom = (int16_t)(area.y + area.h - 1);
    const uint8_t steps[] = {
        JL_STEP_SEND(0x91),
        JL_STEP_SEND(0x90, high(area.x), low(area.x), high(right), low(right), high(area.y),
                     low(area.y), high(bottom), low(bottom), 0x01),
        JL_STEP_SEND(plane_opcode(panel, stretch)),
    };
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

size_t jl_uc_paper_update(const struct jl_panel *panel, enum jl_update update, uint8_t *out) {
    /* BUSY goes low a moment after a command: up to 200 us. */
    static const uint8_t run[] = {
        JL_STEP_SEND(0x04), /* voltages on */
        JL_STEP_WAIT_MS(1),
        JL_STEP_WAIT_BUSY(UC_IDLE, UC_SHORT_MS),
        JL_STEP_SEND(0x92), /* the whole glass */
        JL_STEP_SEND(0x12), /* the update */
        JL_STEP_WAIT_BUSY(UC_BUSY, BEGINS_MS),
        JL_STEP_WAIT_BUSY(UC_IDLE, LONGEST_MS),
        JL_STEP_SEND(0x02), /* voltages off */
        JL_STEP_WAIT_MS(1),
        JL_STEP_WAIT_BUSY(UC_IDLE, UC_SHORT_MS),
    };
    const struct jl_wave *wave = jl_paper_wave(panel, (uint8_t)update);
    const struct jl_epaper_config *paper = jl_epaper_config_of(panel);
    /* Fast and partial are chosen by a temperature that the glass does not have. */
    bool given = update != JL_UPDATE_FULL || paper->given_degrees;
    uint8_t degrees = update == JL_UPDATE_FAST      ? DEGREES_FAST
                      : update == JL_UPDATE_PARTIAL ? DEGREES_PARTIAL
                                                    : (uint8_t)paper->degrees;
    size_t bytes = 9;
    const uint8_t begin[] = {JL_STEP_SEND(0x00, settings_of(panel, wave != NULL)),
                             JL_STEP_SEND(0xE0, given ? 0x02 : 0x00), JL_STEP_SEND(0xE5, degrees)};
    memcpy(out, begin, sizeof begin);
    if (wave) {
        for (bytes = 3; bytes < 3 + 2 * 5; bytes += 2) {
            out[bytes] = JL_STEP_CODE_BLOCK;
            out[bytes + 1] = (uint8_t)(JL_PAPER_WAVE + (bytes - 3) / 2);
        }
    }
    memcpy(out + bytes, run, sizeof run);
    return bytes + sizeof run;
}

const struct jl_paper jl_uc_paper = {
    .present = jl_paper_present,
    .show = jl_paper_show,
    .wait = jl_paper_wait,
    .resume = jl_paper_resume,
    .update = jl_uc_paper_update,
    .updates = 1 << JL_UPDATE_FULL | 1 << JL_UPDATE_FAST,
};
