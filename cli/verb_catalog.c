/* jadelamp catalog */
#include "cli.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/catalog.h"

/* Lines of details, wrapped at 78 columns behind a word. */
static void print_wrapped(const char *word, const char *text) {
    printf("  %-9s", word);
    while (*text) {
        size_t length = strlen(text), room = 67;
        if (length > room) {
            for (length = room; length > 0 && text[length] != ' '; length--) {
            }
            length = length ? length : room;
        }
        printf("%.*s\n", (int)length, text);
        text += length;
        text += *text == ' ';
        printf("%s", *text ? "           " : "");
    }
}

/* The kinds of buses, in a word each. */
static void list_buses(const struct jl_catalog_entry *entry, char *out, size_t size) {
    unsigned buses = entry->driver ? entry->driver->buses : 0;
    bool serial = buses >> JL_BUS_SPI & 1, words = buses >> JL_BUS_8080_16 & 1;
    snprintf(out, size, "%s%s%s%s%s%s",
             entry->on_i2c    ? "I2C "
             : !entry->driver ? entry->addresses[0] ? "pins, I2C " : "pins"
                              : "",
             buses >> JL_BUS_I2C & 1 ? "I2C " : "", serial ? "SPI " : "",
             buses >> JL_BUS_ST7920_SERIAL & 1 ? "serial "
             : buses >> JL_BUS_MEMORY_LCD & 1  ? "SPI without D/C "
                                               : "",
             words                        ? "8080/16 "
             : buses >> JL_BUS_8080_8 & 1 ? "8080 "
                                          : "",
             buses >> JL_BUS_6800_8 & 1 ? "6800" : "");
}

static void print_row(const struct jl_catalog_entry *entry) {
    char buses[60], ram[16] = "cells";
    if (entry->scanned) {
        printf("  %-15s %-17s  %-8s  %s\n", entry->name, entry->kind, "none",
               entry->driver->serial_cycle_ns ? "RGB, commands by 3-wire SPI" : "RGB");
        return;
    }
    list_buses(entry, buses, sizeof buses);
    for (size_t end = strlen(buses); end > 0 && buses[end - 1] == ' '; end--) {
        buses[end - 1] = '\0';
    }
    if (entry->driver) {
        snprintf(ram, sizeof ram, "%dx%d", entry->driver->ram_width, entry->driver->ram_height);
    }
    printf("  %-15s %-17s  %-8s  %s\n", entry->name, entry->kind, ram, buses);
}

static void print_buses(const struct jl_catalog_entry *entry) {
    unsigned buses = entry->driver ? entry->driver->buses : 0;
    uint32_t i2c_hz = jl_catalog_most_i2c_hz(entry);
    uint32_t serial_hz = jl_catalog_most_serial_hz(entry);
    uint32_t cycle_ns = jl_catalog_least_cycle_ns(entry);
    char text[120];
    if (i2c_hz) {
        snprintf(text, sizeof text, "%s up to %.4g kHz, at",
                 entry->driver || entry->on_i2c ? "I2C" : "behind an expander: I2C", i2c_hz / 1e3);
        for (size_t i = 0; i < sizeof entry->addresses && entry->addresses[i]; i++) {
            size_t length = strlen(text);
            snprintf(text + length, sizeof text - length, "%s %s", i ? " or" : "",
                     cli_hex(entry->addresses[i]));
        }
        print_wrapped("bus", text);
    }
    if (serial_hz) {
        snprintf(text, sizeof text, "%s up to %.4g MHz",
                 entry->scanned                      ? "for commands 3-wire SPI"
                 : buses >> JL_BUS_ST7920_SERIAL & 1 ? "its own serial bus"
                 : buses >> JL_BUS_MEMORY_LCD & 1    ? "SPI without D/C, CS active high"
                 : buses >> JL_BUS_SPI_3WIRE & 1     ? "SPI with 4 or 3 wires"
                                                     : "SPI",
                 serial_hz / 1e6);
        print_wrapped("bus", text);
    }
    if (cycle_ns) {
        snprintf(text, sizeof text, "%s, a write in %u ns",
                 !entry->driver                  ? "4 or 8 lines and E"
                 : !(buses >> JL_BUS_8080_8 & 1) ? "6800 with 8 lines"
                 : buses >> JL_BUS_8080_16 & 1   ? "8080 with 8 or 16 lines"
                 : buses >> JL_BUS_6800_8 & 1    ? "8080 or 6800 with 8 lines"
                                                 : "8080 with 8 lines",
                 (unsigned)cycle_ns);
        print_wrapped("bus", text);
    }
}

static void print_entry(const struct jl_catalog_entry *entry) {
    char text[60];
    printf("%s: %s\n", entry->name, entry->kind);
    if (entry->scanned) {
        print_wrapped("RAM", "none: frames lie in the microcontroller's");
        print_wrapped("bus", "RGB of 16, 18 or 24 lines");
    } else if (entry->driver) {
        snprintf(text, sizeof text, "%d x %d", entry->driver->ram_width, entry->driver->ram_height);
        print_wrapped("RAM", text);
    }
    print_wrapped("pixels", entry->pixel_format);
    print_wrapped("glass", entry->glasses);
    print_buses(entry);
    for (size_t i = 0; i < 4 && entry->quirks[i]; i++) {
        print_wrapped("note", entry->quirks[i]);
    }
}

static cJSON *entry_json(const struct jl_catalog_entry *entry) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddStringToObject(json, "name", entry->name);
    cJSON_AddStringToObject(json, "kind", entry->kind);
    cJSON_AddBoolToObject(json, "scanned_out", entry->scanned);
    if (entry->driver && !entry->scanned) {
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
    cJSON *quirks = cJSON_AddArrayToObject(json, "quirks");
    for (size_t i = 0; i < 4 && entry->quirks[i]; i++) {
        cJSON_AddItemToArray(quirks, cJSON_CreateString(entry->quirks[i]));
    }
    return json;
}

static void print_touch(const struct jl_touch_entry *entry) {
    char text[80];
    printf("%s: touch, %s\n", entry->name, entry->kind);
    if (entry->addresses[0]) {
        int length = snprintf(text, sizeof text, "I2C up to %.4g kHz, at 0x%02X",
                              entry->most_hz / 1e3, entry->addresses[0]);
        if (entry->addresses[1]) {
            snprintf(text + length, sizeof text - (size_t)length, " or 0x%02X",
                     entry->addresses[1]);
        }
    } else {
        snprintf(text, sizeof text, "SPI mode 0 up to %.4g MHz", entry->most_hz / 1e6);
    }
    print_wrapped("bus", text);
    for (size_t i = 0; i < 3 && entry->quirks[i]; i++) {
        print_wrapped("note", entry->quirks[i]);
    }
}

static cJSON *touch_json(const struct jl_touch_entry *entry) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddStringToObject(json, "name", entry->name);
    cJSON_AddStringToObject(json, "kind", entry->kind);
    cJSON *addresses = cJSON_AddArrayToObject(json, "i2c_addresses");
    for (size_t i = 0; i < sizeof entry->addresses && entry->addresses[i]; i++) {
        cJSON_AddItemToArray(addresses, cJSON_CreateNumber(entry->addresses[i]));
    }
    cJSON_AddNumberToObject(json, "most_hz", entry->most_hz);
    cJSON *quirks = cJSON_AddArrayToObject(json, "quirks");
    for (size_t i = 0; i < 3 && entry->quirks[i]; i++) {
        cJSON_AddItemToArray(quirks, cJSON_CreateString(entry->quirks[i]));
    }
    return json;
}

/* Where listed cards go: text when `array` is NULL. */
struct listing {
    const struct jl_catalog_entry *only; /* cards of this one; NULL: all */
    const struct jl_touch_entry *only_touch;
    cJSON *array;
    bool broken, headed; /* headed: the line above the cards is there */
};

static void list_card(void *context, const char *name, const char *path) {
    struct listing *listing = context;
    struct jl_card card;
    struct jl_complaint complaint = {""};
    if (!jl_card_read(path, &card, &complaint)) {
        listing->broken = true;
        cli_bad("catalog", "%s", complaint.text);
    } else if ((listing->only && card.controller != listing->only) ||
               (listing->only_touch && card.touch.controller != listing->only_touch)) {
        /* another part's */
    } else if (listing->array) {
        cJSON *json = cli_card_json(&card);
        cJSON_ReplaceItemInObject(json, "name", cJSON_CreateString(name));
        cJSON_AddItemToArray(listing->array, json);
    } else {
        if (!listing->headed) {
            listing->headed = true;
            puts("\nPanel cards, for jadelamp light CARD");
        }
        printf("  %-26s ", name);
        cli_print_card_briefly(&card);
        putchar('\n');
        if (listing->only) {
            cli_print_timings_briefly(&card);
        }
    }
}

static int catalog(const char *verb, const char *part, bool as_json) {
    size_t count;
    const struct jl_catalog_entry *entries = jl_catalog(&count);
    const struct jl_catalog_entry *only = part ? jl_catalog_find(part) : NULL;
    cJSON *json = as_json ? cJSON_CreateObject() : NULL;
    cJSON *controllers = as_json ? cJSON_AddArrayToObject(json, "controllers") : NULL;
    size_t touch_count;
    const struct jl_touch_entry *touch = jl_touch_catalog(&touch_count);
    const struct jl_touch_entry *only_touch = part && !only ? jl_touch_catalog_find(part) : NULL;
    struct listing listing = {.only = only, .only_touch = only_touch};
    for (size_t i = 0; as_json && i < count; i++) {
        if (!part || only == &entries[i]) {
            cJSON_AddItemToArray(controllers, entry_json(&entries[i]));
        }
    }
    cJSON *touch_array = as_json ? cJSON_AddArrayToObject(json, "touch_controllers") : NULL;
    for (size_t i = 0; as_json && i < touch_count; i++) {
        if (!part || only_touch == &touch[i]) {
            cJSON_AddItemToArray(touch_array, touch_json(&touch[i]));
        }
    }
    if (!as_json && part) {
        if (only) {
            print_entry(only);
        } else {
            print_touch(only_touch);
        }
    } else if (!as_json) {
        puts("Controllers; jadelamp catalog PART tells more\n"
             "  part            drives             RAM       buses");
        for (size_t i = 0; i < count; i++) {
            print_row(&entries[i]);
        }
        puts("\nTouch controllers");
        for (size_t i = 0; i < touch_count; i++) {
            printf("  %-8s  %-26s  %s\n", touch[i].name, touch[i].kind,
                   touch[i].addresses[0] ? "I2C" : "SPI");
        }
    }
    listing.array = as_json ? cJSON_AddArrayToObject(json, "cards") : NULL;
    bool found = jl_share_cards("cards", list_card, &listing);
    if (as_json) {
        cli_print_json(json);
    } else if (found && !listing.headed) {
        printf("\nNo panel card has it: [touch] controller = %s in a card of your own\n", part);
    }
    if (!found) {
        return cli_bad(verb, "the folder of cards is missing: set JADELAMP_SHARE to the folder "
                             "that holds cards/ and demo/");
    }
    return listing.broken ? EXIT_BAD : EXIT_GOOD;
}

int verb_catalog(int argc, const char **argv) {
    int as_json = 0;
    const struct poptOption options[] = {
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL}, POPT_AUTOHELP POPT_TABLEEND};
    poptContext context =
        cli_parse(argc, argv, options,
                  "[PART]\n\nLists the controllers and the panel cards; of one PART, such as "
                  "ssd1306, with\nwhat surprises people about it.\n");
    if (!context) {
        return EXIT_BAD;
    }
    int status = EXIT_BAD;
    const char *part = poptGetArg(context);
    if (cli_too_many(context, argv[0])) {
        /* reported */
    } else if (part && !jl_catalog_find(part) && !jl_touch_catalog_find(part)) {
        cli_bad(argv[0], "no controller %s; jadelamp catalog lists those that are known", part);
    } else {
        status = catalog(argv[0], part, as_json != 0);
    }
    poptFreeContext(context);
    return status;
}
