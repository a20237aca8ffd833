/* The sluice sign of Heron Quay on an ATmega328P: a frame of 504 bytes, sent by SPI. */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>

#include "avr_port.h"
#include "example.h"
#include "sluice_sign.h"

static const struct jl_panel_config lcd = {.controller = &jl_pcd8544,
                                           .bus = &jl_bus_spi,
                                           .width = 84,
                                           .height = 48,
                                           .module = JL_MODULE_RESET_WIRED};
static struct avr_wiring wiring = {
    .outputs = &PORTD, .cs = 1 << 3, .dc = 1 << 4, .reset = 1 << 5, .spi_hz = 4000000};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(84, 48)];

int main(void) {
    const struct jl_port port = {.ops = &avr_spi_ops, .context = &wiring};
    const struct sluice_reading reading = {9 * 60 + 30, 411, 187};
    struct jl_panel panel;
    struct jl_frame frame;
    avr_spi_start(&wiring);
    jl_panel_open(&panel, &lcd, &port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    sluice_sign_draw(&frame.target, &reading);
    jl_panel_present(&panel, &frame);
    cli();
    sleep_mode();
}
