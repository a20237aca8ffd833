/* Where hardware hangs on this machine: --on. */
#ifndef JADELAMP_CLI_PLACE_H
#define JADELAMP_CLI_PLACE_H

#include "cli.h"
#include "linux_port.h"

#define CLI_PLACE_HELP                                                                             \
    "hardware on this machine shows it, too: i2c:/dev/i2c-1, or "                                  \
    "spi:/dev/spidev0.0,dc=25,reset=24 with lines of /dev/gpiochip0 (,cs= ,busy= ,gpio=PATH)"

/* Open as long as the port is used. */
struct cli_place {
    struct linux_port context;
    struct jl_port port;
    char bus[100];
};

/*
 * Opens a place: for a card, whose bus it must have and at whose clock SPI runs; or, without a
 * card, an I2C bus. False: reported.
 */
bool cli_open_place(const char *verb, const char *text, const struct jl_card *card,
                    struct cli_place *place);
void cli_close_place(struct cli_place *place);

#endif
