#include "fake_panel.h"

#include <string.h>

#include "harness.h"

static int column_bytes(const struct fake_panel *fake) {
    return fake->controller.format->bits_per_pixel * fake->controller.column_unit *
           (1 << fake->controller.format->line_rows_log2) / 8;
}

static void take_data(struct fake_panel *fake, uint8_t byte) {
    if (fake->line > fake->window[3]) {
        fake->broken = true;
        return;
    }
    int stride = (fake->config.width + fake->controller.column_unit - 1) /
                 fake->controller.column_unit * column_bytes(fake);
    fake->ram[fake->line * stride + fake->column * column_bytes(fake) + fake->byte] = byte;
    fake->data_bytes++;
    if (++fake->byte == column_bytes(fake)) {
        fake->byte = 0;
        if (++fake->column > fake->window[1]) {
            fake->column = fake->window[0];
            fake->line++;
        }
    }
}

static jl_status send(void *context, const struct jl_transfer *t) {
    struct fake_panel *fake = context;
    if (fake->fail_after == 0) {
        return JL_BUS_ERROR;
    }
    fake->fail_after--;
    fake->transfers++;
    if (!fake->data) {
        EXPECT_INT((long long)t->body_bytes, 5);
        for (int i = 0; i < 4; i++) {
            fake->window[i] = t->body[1 + i];
        }
        /* Columns must come in whole cells. */
        EXPECT_INT(fake->window[0] % fake->controller.column_unit, 0);
        EXPECT_INT((fake->window[1] + 1) % fake->controller.column_unit, 0);
        fake->window[0] /= fake->controller.column_unit;
        fake->window[1] /= fake->controller.column_unit;
        fake->column = fake->window[0];
        fake->line = fake->window[2];
        fake->byte = 0;
        fake->windows++;
        return JL_OK;
    }
    for (size_t i = 0; i < t->body_bytes; i++) {
        take_data(fake, t->body[i]);
    }
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct fake_panel *fake = context;
    if (pin == JL_PIN_DC) {
        fake->data = high;
    }
}

static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    unsigned shift = panel->config->controller->format->line_rows_log2;
    out[0] = 5;
    out[1] = 1;
    const struct jl_rect area = stretch->area;
    out[2] = (uint8_t)area.x;
    out[3] = (uint8_t)(area.x + area.w - 1);
    out[4] = (uint8_t)(area.y >> shift);
    out[5] = (uint8_t)((area.y + area.h - 1) >> shift);
    return 6;
}

static const struct jl_port_ops ops = {.send = send, .wait_us = wait_us, .set_pin = set_pin};
static const uint8_t steps[] = {JL_STEP_CLEAR};

void fake_open(struct fake_panel *fake, const struct jl_format *format, int width, int height) {
    fake_open_in_units(fake, format, width, height, 1);
}

void fake_open_in_units(struct fake_panel *fake, const struct jl_format *format, int width,
                        int height, int unit) {
    /* A cell is whole bytes. */
    while (unit * (format->bits_per_pixel << format->line_rows_log2) % 8) {
        unit *= 2;
    }
    memset(fake, 0, sizeof *fake);
    memset(fake->ram, 0xA5, sizeof fake->ram);
    fake->fail_after = -1;
    fake->controller = (struct jl_controller){.name = "fake",
                                              .format = format,
                                              .ram_width = 128,
                                              .ram_height = 64,
                                              .buses = 1 << JL_BUS_SPI,
                                              .layouts[JL_WIRES_SERIAL] = 0xFFFF,
                                              .window_price_px = 10,
                                              .column_unit = (uint8_t)unit,
                                              .wake_steps = steps,
                                              .wake_steps_bytes = sizeof steps,
                                              .turns = JL_TURNS_EVEN,
                                              .window = window,
                                              .next = jl_next_units};
    fake->config = (struct jl_panel_config){.controller = &fake->controller,
                                            .width = (int16_t)width,
                                            .height = (int16_t)height,
                                            .bus = &jl_bus_spi};
    fake->port = (struct jl_port){.ops = &ops, .context = fake};
    EXPECT_INT(jl_panel_open(&fake->panel, &fake->config, &fake->port), JL_OK);
    EXPECT_INT(jl_panel_wake(&fake->panel), JL_OK);
}
