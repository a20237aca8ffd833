/* "i2c:PATH" and "spi:PATH,dc=LINE,...", read and opened. */
#include "place.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

enum { MOST_LINE = 1023 };

struct reading {
    struct linux_wiring wiring;
    char *text; /* a copy, cut up */
};

/* KEY=LINE, or gpio=PATH, of one part. */
static bool read_part(struct reading *reading, char *part) {
    struct linux_wiring *wiring = &reading->wiring;
    const struct {
        const char *key;
        int *line;
    } lines[] = {{"dc=", &wiring->dc},
                 {"reset=", &wiring->reset},
                 {"cs=", &wiring->cs},
                 {"busy=", &wiring->busy}};
    if (strncmp(part, "gpio=/", 6) == 0) {
        wiring->gpio = part + 5;
        return true;
    }
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        size_t length = strlen(lines[i].key);
        char *end = part;
        if (strncmp(part, lines[i].key, length) == 0) {
            long line = strtol(part + length, &end, 10);
            *lines[i].line = (int)line;
            return end != part + length && !*end && line >= 0 && line <= MOST_LINE;
        }
    }
    return false;
}

static bool read_place(const char *verb, const char *text, struct reading *reading) {
    static const char right[] = "expected i2c:/dev/i2c-1, or spi:/dev/spidev0.0,dc=25,reset=24";
    reading->wiring = (struct linux_wiring){.dc = LINUX_NOT_WIRED,
                                            .reset = LINUX_NOT_WIRED,
                                            .cs = LINUX_NOT_WIRED,
                                            .busy = LINUX_NOT_WIRED};
    bool spi = strncmp(text, "spi:/", 5) == 0;
    if (!spi && strncmp(text, "i2c:/", 5) != 0) {
        cli_bad(verb, "--on %s: %s", text, right);
        return false;
    }
    reading->wiring.bus = reading->text + 4;
    char *comma = strchr(reading->text, ',');
    while (comma) {
        char *part = comma + 1;
        *comma = '\0';
        comma = strchr(part, ',');
        char *end = comma ? comma : part + strlen(part);
        char kept = *end;
        *end = '\0';
        if (!read_part(reading, part)) {
            cli_bad(verb,
                    "--on: \"%s\": expected dc=LINE, reset=LINE, cs=LINE, busy=LINE or "
                    "gpio=/dev/gpiochip0, lines being 0 to %d",
                    part, MOST_LINE);
            return false;
        }
        *end = kept;
    }
    const struct linux_wiring *wiring = &reading->wiring;
    bool pins = wiring->dc >= 0 || wiring->reset >= 0 || wiring->cs >= 0 || wiring->busy >= 0;
    if (pins && !wiring->gpio) {
        reading->wiring.gpio = "/dev/gpiochip0";
    }
    return true;
}

/* What the card's bus asks of the place. */
static bool fits(const char *verb, const char *text, const struct jl_card *card,
                 const struct linux_wiring *wiring) {
    bool spi = strncmp(text, "spi:", 4) == 0;
    if (card && card->bus != JL_BUS_I2C && card->bus != JL_BUS_SPI) {
        cli_bad(verb,
                "%s is wired for another bus than I2C and SPI of 8 bits: no Linux bus takes it",
                card->name);
    } else if (!card && spi) {
        cli_bad(verb, "--on %s: parts on SPI do not say who they are; expected i2c:PATH", text);
    } else if (card && spi != (card->bus == JL_BUS_SPI)) {
        cli_bad(verb, "--on %s: %s is wired for %s", text, card->name, spi ? "I2C" : "SPI");
    } else if (spi && wiring->dc < 0) {
        cli_bad(verb, "--on %s: SPI needs the line of D/C: add ,dc=25 or the like", text);
    } else {
        return true;
    }
    return false;
}

bool cli_open_place(const char *verb, const char *text, const struct jl_card *card,
                    struct cli_place *place) {
    char why[160];
    struct reading reading = {.text = strdup(text)};
    bool good =
        reading.text && read_place(verb, text, &reading) && fits(verb, text, card, &reading.wiring);
    if (good) {
        reading.wiring.hz = card ? card->clock_hz : 0;
        snprintf(place->bus, sizeof place->bus, "%s", reading.wiring.bus);
        good = linux_port_open(&place->context, &reading.wiring, &linux_kernel, &place->port, why,
                               sizeof why);
        if (!good) {
            cli_bad(verb, "%s", why);
        }
    }
    free(reading.text);
    return good;
}

void cli_close_place(struct cli_place *place) {
    linux_port_close(&place->context);
}
