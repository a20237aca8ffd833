/* Encoders of MIPI DCS commands. */
#include "dcs.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/orientation.h"

/* Bits of set_address_mode: the panel's rows and columns from the other end, exchanged, BGR. */
enum { MODE_ROWS = 0x80, MODE_COLUMNS = 0x40, MODE_EXCHANGE = 0x20, MODE_BGR = 0x08 };

/* The standard asks for 120 ms between sleeping and waking, in both directions. */
enum { SLEEP_MS = 120 };

static unsigned axes_of(const struct jl_panel *panel, uint8_t turn) {
    return jl_axes_of_turn(turn) ^ jl_mirrors_of_module(jl_config_of(panel));
}

static uint8_t *put(uint8_t *out, uint8_t command, uint8_t argument) {
    out[0] = 2;
    out[1] = command;
    out[2] = argument;
    return out + 3;
}

static uint8_t *put_address_mode(uint8_t *out, const struct jl_panel *panel, uint8_t turn) {
    unsigned axes = axes_of(panel, turn);
    unsigned mode = (axes & AXES_MIRROR_X ? (unsigned)MODE_COLUMNS : 0) |
                    (axes & AXES_MIRROR_Y ? (unsigned)MODE_ROWS : 0) |
                    (axes & AXES_EXCHANGE ? (unsigned)MODE_EXCHANGE : 0) |
                    (jl_config_of(panel)->module & JL_MODULE_BGR ? (unsigned)MODE_BGR : 0);
    return put(out, DCS_SET_ADDRESS_MODE, (uint8_t)mode);
}

/* IPS glass is upright when the controller inverts. */
static uint8_t *put_invert(uint8_t *out, const struct jl_panel *panel, bool inverted) {
    bool ips = (jl_config_of(panel)->module & JL_MODULE_IPS) != 0;
    out[0] = 1;
    out[1] = (uint8_t)(DCS_EXIT_INVERT_MODE + (inverted != ips));
    return out + 2;
}

size_t jl_dcs_setup(const struct jl_panel *panel, uint8_t *out) {
    /* 16 or 18 bits a pixel, for the RGB interface (upper digit) and for the others. */
    uint8_t pixels = jl_format_of(panel)->bits_per_pixel == 16 ? 0x55 : 0x66;
    uint8_t *at = put_address_mode(out, panel, panel->turn);
    at = put(at, DCS_SET_PIXEL_FORMAT, pixels);
    at = put_invert(at, panel, panel->inverted);
    return (size_t)(at - out);
}

/* Block on, dimming off, light on: bits 5, 3, 2 of 53h. */
static uint8_t *put_light(uint8_t *out, uint8_t brightness) {
    return put(put(out, DCS_WRITE_CONTROL_DISPLAY, 0x24), DCS_WRITE_DISPLAY_BRIGHTNESS, brightness);
}

size_t jl_dcs_setup_with_light(const struct jl_panel *panel, uint8_t *out) {
    size_t bytes = jl_dcs_setup(panel, out);
    return bytes + (size_t)(put_light(out + bytes, panel->contrast) - (out + bytes));
}

size_t jl_dcs_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    static const uint8_t sleep[] = {JL_STEP_SEND(DCS_SET_DISPLAY_OFF),
                                    JL_STEP_SEND(DCS_ENTER_SLEEP_MODE), JL_STEP_WAIT_MS(SLEEP_MS)};
    static const uint8_t wake[] = {JL_STEP_SEND(DCS_EXIT_SLEEP_MODE), JL_STEP_WAIT_MS(SLEEP_MS),
                                   JL_STEP_SEND(DCS_SET_DISPLAY_ON)};
    _Static_assert(sizeof sleep == sizeof wake, "copied with one length");
    uint8_t *end = out;
    switch (what) {
    case JL_SETTING_POWER:
        memcpy(out, value ? wake : sleep, sizeof wake);
        return sizeof wake;
    case JL_SETTING_INVERT:
        end = put_invert(out, panel, value != 0);
        break;
    case JL_SETTING_TURN:
        end = put_address_mode(out, panel, value);
        break;
    case JL_SETTING_IDLE:
        out[0] = 1;
        out[1] = (uint8_t)(DCS_EXIT_IDLE_MODE + (value != 0));
        return 2;
    default:
        break;
    }
    return (size_t)(end - out);
}

size_t jl_dcs_setting_with_light(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                                 uint8_t *out) {
    if (what == JL_SETTING_CONTRAST) {
        return (size_t)(put_light(out, value) - out);
    }
    return jl_dcs_setting(panel, what, value, out);
}

/* Start and end are 16 bits, high byte first, and the end is included (DCS 6.5, 6.6). */
static uint8_t *put_range(uint8_t *out, uint8_t command, int start, int length) {
    int end = start + length - 1;
    out[0] = 5;
    out[1] = command;
    out[2] = (uint8_t)(start >> 8);
    out[3] = (uint8_t)start;
    out[4] = (uint8_t)(end >> 8);
    out[5] = (uint8_t)end;
    return out + 6;
}

/*
 * The ranges stay until they are set again, and 2C goes back to their start (DCS 6.28); so only
 * those are sent that have changed.
 */
size_t jl_dcs_next(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    const struct jl_controller *controller = config->controller;
    struct jl_rect *kept = &panel->addressed;
    if (stretch->area.h) {
        stretch->area.h = 0;
        return 0;
    }
    unsigned axes = axes_of(panel, panel->turn);
    /* A mirrored axis counts the RAM from its other end, so the glass begins elsewhere. */
    int x = axes & AXES_MIRROR_X ? controller->ram_width - config->width - config->column_offset
                                 : config->column_offset;
    int y = axes & AXES_MIRROR_Y ? controller->ram_height - config->height - config->row_offset
                                 : config->row_offset;
    if (axes & AXES_EXCHANGE) {
        int other = x;
        x = y;
        y = other;
    }
    uint8_t *at = out;
    if (kept->x != area->x || kept->w != area->w) {
        at = put_range(at, DCS_SET_COLUMN_ADDRESS, area->x + x, area->w);
    }
    if (kept->y != area->y || kept->h != area->h) {
        at = put_range(at, DCS_SET_PAGE_ADDRESS, area->y + y, area->h);
    }
    *kept = stretch->area = *area;
    at[0] = 1;
    at[1] = DCS_WRITE_MEMORY_START;
    return (size_t)(at + 2 - out);
}
