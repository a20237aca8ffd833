/* What the grey and colour OLED controllers share. */
#include "ssd_oled.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/orientation.h"
#include "jadelamp/controllers/ssd_oled.h"

enum {
    SET_COLUMNS = 0x15,
    SET_ROWS = 0x75,
    START_LINE = 0xA1,
    ALL_ON = 0xA5,
    INVERSE = 0xA7,
    DISPLAY_OFF = 0xAE,
};

static uint8_t *put0(uint8_t *out, uint8_t command) {
    out[0] = 1;
    out[1] = command;
    return out + 2;
}

/*
 * The remap of columns acts as pixels are written, so a mirrored picture begins at the other
 * end of the RAM; rows are mirrored as they are scanned.
 */
static uint8_t *put_window(uint8_t *out, const struct jl_panel *panel, struct jl_rect area,
                           unsigned column_shift) {
    const struct jl_panel_config *config = jl_config_of(panel);
    unsigned axes = jl_axes_of_turn(panel->turn);
    struct jl_rect on_glass = area;
    if (axes & AXES_EXCHANGE) {
        on_glass = (struct jl_rect){area.y, area.x, area.h, area.w};
    }
    int x = on_glass.x + (axes & AXES_MIRROR_X ? config->controller->ram_width - config->width -
                                                     config->column_offset
                                               : config->column_offset);
    int y = on_glass.y + config->row_offset;
    const uint8_t ranges[] = {SET_COLUMNS,
                              (uint8_t)(x >> column_shift),
                              (uint8_t)((x + on_glass.w - 1) >> column_shift), /* included */
                              SET_ROWS,
                              (uint8_t)y,
                              (uint8_t)(y + on_glass.h - 1)};
    /* One step where arguments travel like opcodes: on I2C it is one transaction. */
    unsigned steps = config->controller->opcode_bytes ? 2 : 1;
    uint8_t bytes = (uint8_t)(sizeof ranges / steps);
    for (unsigned i = 0; i < steps; i++) {
        *out++ = bytes;
        memcpy(out, ranges + i * bytes, bytes);
        out += bytes;
    }
    return out;
}

size_t jl_ssd_window(const struct jl_ssd_part *own, const struct jl_panel *panel,
                     const struct jl_stretch *stretch, uint8_t *out) {
    uint8_t *end = put_window(out, panel, stretch->area, own->column_shift);
    if (own->write_opcode) {
        end = put0(end, own->write_opcode);
    }
    return (size_t)(end - out);
}

size_t jl_ssd_setup(const struct jl_ssd_part *part, const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    uint8_t *at = jl_ssd_put(out, part->multiplex, (uint8_t)(config->height - 1));
    at = part->put_remap(at, panel, panel->turn);
    at = jl_ssd_put(at, START_LINE, (uint8_t)config->row_offset);
    at = part->put_contrast(at, panel->contrast);
    at = put0(at, panel->inverted ? INVERSE : part->normal);
    return (size_t)(at - out);
}

size_t jl_ssd_setting(const struct jl_ssd_part *part, const struct jl_panel *panel,
                      enum jl_setting what, uint8_t value, uint8_t *out) {
    uint8_t *end = out;
    switch (what) {
    case JL_SETTING_POWER:
        end = put0(out, (uint8_t)(DISPLAY_OFF + (value != 0)));
        break;
    case JL_SETTING_CONTRAST:
        end = part->put_contrast(out, value);
        break;
    case JL_SETTING_INVERT:
        end = put0(out, value ? INVERSE : part->normal);
        break;
    case JL_SETTING_ALL_ON:
        end = put0(out, value ? ALL_ON : panel->inverted ? INVERSE : part->normal);
        break;
    case JL_SETTING_TURN:
        end = part->put_remap(out, panel, value);
        break;
    default:
        break;
    }
    return (size_t)(end - out);
}

static size_t roll(const struct jl_panel *panel, int16_t top, int16_t rows, int16_t first,
                   uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    if (top != 0 || rows != config->height || rows != config->controller->ram_height) {
        return 0;
    }
    /* The start line counts along the scan, which runs upwards for a mirrored picture. */
    bool upwards = (jl_axes_of_turn(panel->turn) & AXES_MIRROR_Y) != 0;
    int line = upwards && first ? rows - first : first;
    return (size_t)(jl_ssd_put(out, START_LINE, (uint8_t)line) - out);
}

const struct jl_motion jl_ssd_oled_motion = {.roll = roll};
