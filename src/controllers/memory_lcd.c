/*
 * Memory LCDs (datasheets of ls013b7dh03 and ls027b7dh01, "timing charts"). Mode bytes and pixels
 * travel with their first bit in front; the number of a line, from 1 on, with its last.
 */
#include "jadelamp/controllers/memory_lcd.h"

#include "../core/lone.h"
#include "../panel/panel.h"
#include "../panel/units.h"
#include "no_setup.h"

enum { MODE_WRITE = 0x80, MODE_VCOM = 0x40, MODE_CLEAR = 0x20 };

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_SEND(MODE_CLEAR, 0), /* all white */
};

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    (void)panel;
    (void)what;
    (void)value;
    (void)out;
    return 0;
}

static uint8_t reversed(unsigned bits) {
    bits = (bits & 0x55) << 1 | (bits >> 1 & 0x55);
    bits = (bits & 0x33) << 2 | (bits >> 2 & 0x33);
    return (uint8_t)(bits << 4 | bits >> 4);
}

/* Line by line: the mode or the zeros behind the line before, then the line's number; in the end
 * zeros twice. */
static size_t next(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out) {
    bool first = stretch->area.h == 0;
    int16_t line = first ? area->y : (int16_t)(stretch->area.y + 1);
    bool last = line >= area->y + area->h;
    stretch->area = jl_whole_lines(panel, *area);
    stretch->area.y = line;
    stretch->area.h = !last;
    out[0] = 2;
    out[1] = first ? (uint8_t)(MODE_WRITE | panel->vcom) : 0;
    out[2] = last ? 0 : reversed((unsigned)line + 1);
    return 3;
}

jl_status jl_memory_lcd_vcom(struct jl_panel *panel) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    panel->vcom ^= MODE_VCOM;
    const uint8_t bytes[] = {panel->vcom, 0};
    return jl_panel_end_call(panel,
                             jl_config_of(panel)->bus->send(panel, false, bytes, sizeof bytes));
}

jl_status jl_memory_lcd_vcom_pin(struct jl_panel *panel) {
    if (!panel || !panel->port || !panel->port->ops->set_pin) {
        return JL_BAD_ARGUMENT;
    }
    panel->vcom ^= MODE_VCOM;
    panel->port->ops->set_pin(panel->port->context, JL_PIN_VCOM, panel->vcom != 0);
    return JL_OK;
}

#define MEMORY_LCD(its_name, columns, rows, cycle_ns)                                              \
    {                                                                                              \
        .name = (its_name), .format = &jl_black_white, .ram_width = (columns),                     \
        .ram_height = (rows), .buses = 1 << JL_BUS_MEMORY_LCD, .turns = JL_TURNS_NONE,             \
        .column_unit = 8, .whole_lines = true, .window_price_px = JL_WINDOW_A_LINE + 16,           \
        .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_ROWS, .serial_cycle_ns = (cycle_ns),       \
        .wake_steps = wake_steps, .wake_steps_bytes = sizeof wake_steps, .setup = jl_no_setup,     \
        .setting = setting, .next = next                                                           \
    }

const struct jl_controller jl_ls013b7dh03 = MEMORY_LCD("ls013b7dh03", 128, 128, 909);
const struct jl_controller jl_ls027b7dh01 = MEMORY_LCD("ls027b7dh01", 400, 240, 500);
