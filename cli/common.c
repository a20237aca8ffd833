/* What the verbs share. */
#include "cli.h"

#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

poptContext cli_parse(int argc, const char **argv, const struct poptOption *options,
                      const char *operands) {
    char name[64];
    snprintf(name, sizeof name, "jadelamp %s", argv[0]);
    const char *kept = argv[0];
    argv[0] = name; /* for the usage line that popt prints */
    poptContext context = poptGetContext(name, argc, argv, options, 0);
    poptSetOtherOptionHelp(context, operands);
    int code = poptGetNextOpt(context);
    argv[0] = kept;
    if (code < -1) {
        cli_bad(kept, "%s: %s; see jadelamp %s --help",
                poptBadOption(context, POPT_BADOPTION_NOALIAS), poptStrerror(code), kept);
        poptFreeContext(context);
        return NULL;
    }
    return context;
}

int cli_bad(const char *verb, const char *format, ...) {
    va_list arguments;
    va_start(arguments, format);
    fprintf(stderr, "jadelamp %s: ", verb);
    vfprintf(stderr, format, arguments);
    fputc('\n', stderr);
    va_end(arguments);
    return EXIT_BAD;
}

bool cli_too_many(poptContext context, const char *verb) {
    const char *operand = poptGetArg(context);
    if (operand) {
        cli_bad(verb, "\"%s\" is one argument too many; see jadelamp %s --help", operand, verb);
    }
    return operand != NULL;
}

void cli_print_json(cJSON *json) {
    char *text = cJSON_Print(json);
    if (text) {
        puts(text);
    }
    free(text);
    cJSON_Delete(json);
}

const char *cli_hex(unsigned byte) {
    static char text[8];
    snprintf(text, sizeof text, "0x%02X", byte);
    return text;
}

static void print_clock(uint32_t hz) {
    if (hz >= 1000000) {
        printf("%g MHz", hz / 1e6);
    } else {
        printf("%g kHz", hz / 1e3);
    }
}

static void print_cells(const struct jl_card *card) {
    bool eight = card->cells.bus == JL_CELLS_PARALLEL_8;
    printf("%s, %dx%d cells, ", card->controller->name, card->width, card->height);
    if (card->cells.bus == JL_CELLS_EXPANDER) {
        printf("4 bits behind I2C at 0x%02X, ", card->i2c_address);
        print_clock(card->clock_hz);
    } else {
        printf("%d bits%s", eight ? 8 : 4, card->cells.reads_busy ? " with busy flag" : "");
    }
}

void cli_print_card(const struct jl_card *card) {
    if (card->cells.bus) {
        print_cells(card);
        return;
    }
    printf("%s, %dx%d, ", card->controller->name, card->width, card->height);
    switch (card->bus) {
    case JL_BUS_I2C:
        printf("I2C at 0x%02X, ", card->i2c_address);
        break;
    case JL_BUS_SPI:
        printf("SPI mode %d, ", card->spi_mode);
        break;
    case JL_BUS_SPI_3WIRE:
        printf("3-wire SPI mode %d, ", card->spi_mode);
        break;
    case JL_BUS_8080_8:
    case JL_BUS_8080_16:
        printf("8080 of %d bits, a write in %u ns", card->bus == JL_BUS_8080_8 ? 8 : 16,
               (unsigned)card->cycle_ns);
        return;
    case JL_BUS_6800_8:
        printf("6800 of 8 bits, a write in %u ns", (unsigned)card->cycle_ns);
        return;
    case JL_BUS_ST7920_SERIAL:
        printf("st7920 serial, ");
        break;
    }
    print_clock(card->clock_hz);
}

cJSON *cli_card_json(const struct jl_card *card) {
    static const char *const buses[] = {"i2c",     "spi",    "spi-3wire",    "8080-8",
                                        "8080-16", "6800-8", "st7920-serial"};
    static const char *const cells[] = {"", "parallel-4", "parallel-8", "expander"};
    cJSON *json = cJSON_CreateObject();
    cJSON_AddStringToObject(json, "name", card->name);
    cJSON_AddStringToObject(json, "controller", card->controller->name);
    cJSON_AddNumberToObject(json, "width", card->width);
    cJSON_AddNumberToObject(json, "height", card->height);
    cJSON_AddStringToObject(json, "bus",
                            card->cells.bus ? cells[card->cells.bus] : buses[card->bus]);
    if (card->bus == JL_BUS_I2C) {
        cJSON_AddNumberToObject(json, "address", card->i2c_address);
    }
    if (card->cycle_ns) {
        cJSON_AddNumberToObject(json, "cycle_ns", card->cycle_ns);
    } else if (card->clock_hz) {
        cJSON_AddNumberToObject(json, "clock_hz", card->clock_hz);
    }
    return json;
}

void cli_print_lines(const char *text) {
    while (*text) {
        int length = (int)strcspn(text, "\n");
        printf("  %.*s\n", length, text);
        text += length + 1;
    }
}

cJSON *cli_cost_json(const struct jl_wire_cost *cost) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddNumberToObject(json, "microseconds", cost->microseconds);
    cJSON_AddNumberToObject(json, "bus_bytes", (double)cost->bytes);
    return json;
}
