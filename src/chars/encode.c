/* UTF-8 to ROM codes. */
#include "../core/flash.h"
#include "../core/utf8.h"
#include "cells.h"

static bool find_in_rom(const struct jl_char_rom *rom, uint32_t code, uint8_t *out) {
    if (code > UINT16_MAX) {
        return false; /* ranges are of 16 bits */
    }
    for (uint8_t i = 0; i < rom->range_count; i++) {
        struct jl_char_range copy;
        const struct jl_char_range *range =
            (const struct jl_char_range *)(const void *)jl_flash_copy(
                (uint8_t *)&copy, (const uint8_t *)&rom->ranges[i], sizeof copy);
        uint16_t place = (uint16_t)((uint16_t)code - range->first); /* wraps below the first */
        if (place < range->count) {
            *out = (uint8_t)(range->code + place);
            return true;
        }
    }
    return false;
}

uint8_t jl_char_code(struct jl_char_panel *panel, uint32_t code) {
    const struct jl_char_config *config = jl_cells_of(panel);
    uint8_t found;
    if (find_in_rom(config->rom ? config->rom : &jl_char_rom_ascii, code, &found)) {
        return found;
    }
    for (uint8_t i = 0; i < config->glyph_count; i++) {
        if (code && config->glyphs[i].code == code) {
            return i;
        }
    }
    panel->missing_code = code;
    if (panel->missing < UINT16_MAX) {
        panel->missing++;
    }
    return '?';
}

uint8_t jl_char_encode(struct jl_char_panel *panel, const char *text, uint8_t *codes,
                       uint8_t most) {
    uint8_t count = 0;
    uint32_t code;
    while (count < UINT8_MAX && (code = jl_utf8_next(&text)) != 0) {
        if (count < most) {
            codes[count] = jl_char_code(panel, code);
        }
        count++;
    }
    return count;
}
