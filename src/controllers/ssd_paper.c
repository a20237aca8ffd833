/*
 * ssd1680 and ssd1681 drivers (datasheets, command tables and section "typical operating
 * sequence"). RAM of two planes, 24h and 26h: black/white with red, or the new picture with the
 * old one. An update is a display update sequence (22h), started by 20h.
 */
#include "ssd_paper.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../epaper/paper.h"

/* Full updates take 2 to 4 s, with red up to 30 s in the cold; nothing takes longer. */
#define LONGEST_MS 60000u

enum {
    MASTER_ACTIVATION = 0x20,
    DISPLAY_UPDATE_CONTROL = 0x22,
    /* Sequences of 22h. Each ends with voltages and clock off. */
    SEQUENCE_FULL = 0xF7,    /* temperature, waveform, display mode 1 */
    SEQUENCE_PARTIAL = 0xFF, /* the same in display mode 2: by old and new */
    SEQUENCE_LOAD = 0x91,    /* the waveform for the temperature register */
    SEQUENCE_SHOW = 0xC7,    /* display mode 1, with the waveform that is there */
    SEQUENCE_SHOW_2 = 0xCF,
    IDLE = 0,
    BUSY = 1,
    BEGINS_MS = 100,
    HOT = 0x64, /* 100 C: the shortest waveform of the part, for fast updates */
};

const uint8_t JL_FLASH jl_ssd_paper_wake_steps[JL_SSD_PAPER_WAKE_BYTES] = {
    JL_STEP_WAIT_BUSY(IDLE, 1000), JL_STEP_SEND(0x12), /* software reset */
    JL_STEP_WAIT_BUSY(IDLE, 1000), JL_STEP_SETUP, JL_STEP_CLEAR};

/* The RAM's row of the picture's first; from the other end the scan begins at the last gate. */
static int first_row(const struct jl_panel_config *config) {
    return config->module & JL_MODULE_MIRROR_Y ? 0 : config->row_offset;
}

static uint8_t border_of(uint8_t border) {
    /* 3Ch: bits 7..6 what drives it, else the waveform's row of black (0) or of white (1) */
    return border == JL_BORDER_FLOATING ? 0xC0 : border == JL_BORDER_BLACK ? 0x04 : 0x05;
}

size_t jl_ssd_paper_setup(const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    const struct jl_epaper_config *paper = jl_epaper_config_of(panel);
    unsigned last = (unsigned)(config->row_offset + config->height - 1);
    bool given = paper->given_degrees;
    const uint8_t steps[] = {
        JL_STEP_SEND(0x01, (uint8_t)last, (uint8_t)(last >> 8),
                     (config->module & JL_MODULE_MIRROR_Y) != 0), /* gates; TB */
        JL_STEP_SEND(0x11, 0x03),                                 /* columns, then rows, upwards */
        JL_STEP_SEND(0x21, 0x00, 0x00),                           /* both planes as they are */
        JL_STEP_SEND(0x3C, border_of(paper->border)),
        JL_STEP_SEND(0x18, given ? 0x48 : 0x80), /* the sensor inside, or 1Ah counts */
        JL_STEP_SEND(0x1A, (uint8_t)paper->degrees, 0x00),
    };
    size_t bytes = given ? sizeof steps : sizeof steps - 4;
    memcpy(out, steps, bytes);
    return bytes;
}

size_t jl_ssd_paper_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                            uint8_t *out) {
    static const uint8_t steps[] = {JL_STEP_SEND(0x10, 0x01)}; /* deep sleep 1 keeps the RAM */
    /* Only a reset ends it. */
    if (what != JL_SETTING_POWER || value ||
        !(jl_config_of(panel)->module & JL_MODULE_RESET_WIRED)) {
        return 0;
    }
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

size_t jl_ssd_paper_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    const struct jl_rect area = stretch->area;
    unsigned left = (unsigned)(config->column_offset + area.x) / 8;
    unsigned right = (unsigned)(config->column_offset + area.x + area.w - 1) / 8;
    unsigned top = (unsigned)(first_row(config) + area.y);
    unsigned bottom = top + (unsigned)area.h - 1;
    bool second = jl_format_of(panel)->planes > 1 ? stretch->plane : panel->plane;
    const uint8_t steps[] = {
        JL_STEP_SEND(0x44, (uint8_t)left, (uint8_t)right),
        JL_STEP_SEND(0x45, (uint8_t)top, (uint8_t)(top >> 8), (uint8_t)bottom,
                     (uint8_t)(bottom >> 8)),
        JL_STEP_SEND(0x4E, (uint8_t)left),
        JL_STEP_SEND(0x4F, (uint8_t)top, (uint8_t)(top >> 8)),
        JL_STEP_SEND(second ? 0x26 : 0x24),
    };
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

/* Sources cannot be mirrored; gates can. */
jl_status jl_ssd_paper_rare_step(const struct jl_panel *panel, const uint8_t *step) {
    return jl_config_of(panel)->module & JL_MODULE_MIRROR_X ? JL_BAD_TURN
                                                            : jl_paper_rare_step(panel, step);
}

/* Starts a sequence, sees it begin, and waits for its end. */
static size_t run(uint8_t sequence, uint8_t *out) {
    const uint8_t steps[] = {JL_STEP_SEND(DISPLAY_UPDATE_CONTROL, sequence),
                             JL_STEP_SEND(MASTER_ACTIVATION), JL_STEP_WAIT_BUSY(BUSY, BEGINS_MS),
                             JL_STEP_WAIT_BUSY(IDLE, LONGEST_MS)};
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

static size_t update(const struct jl_panel *panel, enum jl_update update, uint8_t *out) {
    static const uint8_t hot[] = {
        JL_STEP_SEND(0x1A, HOT, 0x00), JL_STEP_SEND(DISPLAY_UPDATE_CONTROL, SEQUENCE_LOAD),
        JL_STEP_SEND(MASTER_ACTIVATION), JL_STEP_WAIT_MS(1), JL_STEP_WAIT_BUSY(IDLE, 1000)};
    bool partial = update == JL_UPDATE_PARTIAL;
    if (jl_paper_wave(panel, (uint8_t)update)) {
        out[0] = JL_STEP_CODE_BLOCK;
        out[1] = JL_PAPER_WAVE;
        return 2 + run(partial ? SEQUENCE_SHOW_2 : SEQUENCE_SHOW, out + 2);
    }
    if (update == JL_UPDATE_FAST) {
        memcpy(out, hot, sizeof hot);
        return sizeof hot + run(SEQUENCE_SHOW, out + sizeof hot);
    }
    return run(partial ? SEQUENCE_PARTIAL : SEQUENCE_FULL, out);
}

const struct jl_paper jl_ssd_paper = {
    .present = jl_paper_present,
    .show = jl_paper_show,
    .wait = jl_paper_wait,
    .resume = jl_paper_resume,
    .update = update,
    .updates = 1 << JL_UPDATE_FULL | 1 << JL_UPDATE_FAST | 1 << JL_UPDATE_PARTIAL,
    .keeps_ram = true,
};
