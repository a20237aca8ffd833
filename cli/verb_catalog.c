/* jadelamp catalog */
#include "cli.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/catalog.h"

/* A bus in the list of an entry's buses. */
static void print_bus(bool *first, const char *text, double number, const char *unit) {
    printf("%s%s%.4g %s", *first ? "            " : "; ", text, number, unit);
    *first = false;
}

static void print_entry(const struct jl_catalog_entry *entry) {
    const struct jl_controller *driver = entry->driver;
    uint8_t buses = driver ? driver->buses : 0;
    uint32_t i2c_hz = jl_catalog_most_i2c_hz(entry);
    uint32_t serial_hz = jl_catalog_most_serial_hz(entry);
    uint32_t cycle_ns = jl_catalog_least_cycle_ns(entry);
    bool first = true;
    printf("  %-9s %s, ", entry->name, entry->kind);
    if (driver) {
        printf("RAM %dx%d, ", driver->ram_width, driver->ram_height);
    }
    printf("%s; glass %s\n", entry->pixel_format, entry->glasses);
    if (i2c_hz) {
        char text[80];
        snprintf(text, sizeof text, "%s", driver ? "I2C at" : "behind an expander on I2C at");
        for (size_t i = 0; i < sizeof entry->addresses && entry->addresses[i]; i++) {
            size_t length = strlen(text);
            snprintf(text + length, sizeof text - length, "%s 0x%02X", i ? " or" : "",
                     entry->addresses[i]);
        }
        strcat(text, " up to ");
        print_bus(&first, text, i2c_hz / 1e3, "kHz");
    }
    if (serial_hz) {
        print_bus(&first,
                  buses >> JL_BUS_ST7920_SERIAL & 1 ? "its own serial bus up to "
                  : buses >> JL_BUS_SPI_3WIRE & 1   ? "SPI with 4 or 3 wires up to "
                                                    : "SPI up to ",
                  serial_hz / 1e6, "MHz");
    }
    if (cycle_ns) {
        print_bus(&first,
                  !driver                         ? "4 or 8 lines and E, a write in "
                  : !(buses >> JL_BUS_8080_8 & 1) ? "6800 with 8 lines, a write in "
                  : buses >> JL_BUS_8080_16 & 1   ? "8080 with 8 or 16 lines, a write in "
                  : buses >> JL_BUS_6800_8 & 1    ? "8080 or 6800 with 8 lines, a write in "
                                                  : "8080 with 8 lines, a write in ",
                  cycle_ns, "ns");
    }
    putchar('\n');
}

static cJSON *entry_json(const struct jl_catalog_entry *entry) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddStringToObject(json, "name", entry->name);
    cJSON_AddStringToObject(json, "kind", entry->kind);
    if (entry->driver) {
        cJSON_AddNumberToObject(json, "ram_width", entry->driver->ram_width);
        cJSON_AddNumberToObject(json, "ram_height", entry->driver->ram_height);
    }
    cJSON_AddStringToObject(json, "pixel_format", entry->pixel_format);
    cJSON_AddStringToObject(json, "glasses", entry->glasses);
    cJSON *addresses = cJSON_AddArrayToObject(json, "i2c_addresses");
    for (size_t i = 0; i < sizeof entry->addresses && entry->addresses[i]; i++) {
        cJSON_AddItemToArray(addresses, cJSON_CreateNumber(entry->addresses[i]));
    }
    cJSON_AddNumberToObject(json, "i2c_most_hz", jl_catalog_most_i2c_hz(entry));
    cJSON_AddNumberToObject(json, "spi_most_hz", jl_catalog_most_serial_hz(entry));
    cJSON_AddNumberToObject(json, "parallel_least_ns", jl_catalog_least_cycle_ns(entry));
    return json;
}

/* Where listed cards go: text when `array` is NULL. */
struct listing {
    cJSON *array;
    bool broken;
};

static void list_card(void *context, const char *name, const char *path) {
    struct listing *listing = context;
    struct jl_card card;
    struct jl_complaint complaint = {""};
    if (!jl_card_read(path, &card, &complaint)) {
        listing->broken = true;
        cli_bad("catalog", "%s", complaint.text);
    } else if (listing->array) {
        cJSON *json = cli_card_json(&card);
        cJSON_ReplaceItemInObject(json, "name", cJSON_CreateString(name));
        cJSON_AddItemToArray(listing->array, json);
    } else {
        printf("  %-30s ", name);
        cli_print_card(&card);
        putchar('\n');
    }
}

int verb_catalog(int argc, const char **argv) {
    int as_json = 0;
    const struct poptOption options[] = {
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL}, POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(argc, argv, options, "");
    if (!context) {
        return EXIT_BAD;
    }
    bool too_many = cli_too_many(context, argv[0]);
    poptFreeContext(context);
    if (too_many) {
        return EXIT_BAD;
    }

    size_t count;
    const struct jl_catalog_entry *entries = jl_catalog(&count);
    cJSON *json = as_json ? cJSON_CreateObject() : NULL;
    cJSON *controllers = as_json ? cJSON_AddArrayToObject(json, "controllers") : NULL;
    if (!as_json) {
        puts("Controllers");
    }
    for (size_t i = 0; i < count; i++) {
        if (as_json) {
            cJSON_AddItemToArray(controllers, entry_json(&entries[i]));
        } else {
            print_entry(&entries[i]);
        }
    }

    struct listing listing = {.array = as_json ? cJSON_AddArrayToObject(json, "cards") : NULL};
    if (!as_json) {
        puts("\nPanel cards, for jadelamp light CARD");
    }
    bool found = jl_share_cards("cards", list_card, &listing);
    if (as_json) {
        cli_print_json(json);
    }
    if (!found) {
        return cli_bad(argv[0], "the folder of cards is missing: set JADELAMP_SHARE to the folder "
                                "that holds cards/ and demo/");
    }
    return listing.broken ? EXIT_BAD : EXIT_GOOD;
}
