/* jadelamp scan [CARD...] */
#include "place.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/catalog.h"
#include "jadelamp/host/scan.h"

enum { MOST_CARDS = 16 };

struct card_list {
    struct jl_card cards[MOST_CARDS];
    size_t count;
    bool failed;
    struct jl_complaint complaint;
};

static void add_card(struct card_list *list, const char *path_or_name) {
    if (list->failed) {
        return;
    }
    if (list->count == MOST_CARDS) {
        list->failed = !jl_complain(&list->complaint, "at most %d cards at once", MOST_CARDS);
    } else {
        list->failed = !jl_card_find(path_or_name, &list->cards[list->count], &list->complaint);
        list->count += !list->failed;
    }
}

static void add_demo_card(void *context, const char *name, const char *path) {
    (void)name;
    add_card(context, path);
}

static void collect(poptContext context, struct card_list *list) {
    const char *operand;
    while ((operand = poptGetArg(context)) != NULL) {
        add_card(list, operand);
    }
    if (!list->count && !list->failed && !jl_share_cards("demo/cards", add_demo_card, list)) {
        list->failed = !jl_complain(&list->complaint, "the demo's cards are missing: name a card");
    }
}

static void print_text(const struct jl_scan_result *result) {
    if (result->clock_hz) {
        printf("Asked 0x08..0x77 on I2C at %g kHz: %.1f ms\n\n", result->clock_hz / 1e3,
               result->microseconds / 1e3);
    } else {
        puts("Asked 0x08..0x77 on the bus of this machine\n");
    }
    if (result->status != JL_OK) {
        printf("The scan broke off: %s.\n", jl_status_text(result->status));
        return;
    }
    if (result->answered) {
        puts("  7-bit   8-bit write, read   usually there");
    }
    for (unsigned address = 0x08; address <= 0x77; address++) {
        if (JL_SCAN_FOUND(result->found, address)) {
            const char *who = jl_catalog_dweller((uint8_t)address);
            printf("  0x%02X    0x%02X, 0x%02X          %s\n", address, address << 1,
                   address << 1 | 1, who ? who : "nothing that is known here");
        }
    }
    if (result->answered) {
        printf("\n%d answered; use the 7-bit address in panel cards and code.\n", result->answered);
        return;
    }
    puts("Nobody answered. Look at, in this order:\n"
         "  1. supply: is the panel's VCC there, and is its ground the board's ground?\n"
         "  2. SDA and SCL: swapped, on other pins than the port drives, or not soldered?\n"
         "  3. pull-ups: 2.2 to 4.7 kohm from SDA and from SCL to the supply, once a bus\n"
         "  4. reset: a RES pin left low keeps the controller deaf; drive it high\n"
         "  5. bus select: the BS pins or solder bridges may have the module on SPI\n"
         "  6. clock: try 100 kHz on long wires");
}

static void print_json(const struct jl_scan_result *result) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddStringToObject(json, "status", jl_status_name(result->status));
    cJSON_AddNumberToObject(json, "clock_hz", result->clock_hz);
    cJSON_AddNumberToObject(json, "microseconds", result->microseconds);
    cJSON *answers = cJSON_AddArrayToObject(json, "answers");
    for (unsigned address = 0; address < 128; address++) {
        if (JL_SCAN_FOUND(result->found, address)) {
            const char *who = jl_catalog_dweller((uint8_t)address);
            cJSON *answer = cJSON_CreateObject();
            cJSON_AddNumberToObject(answer, "address", address);
            cJSON_AddNumberToObject(answer, "write_byte", address << 1);
            cJSON_AddNumberToObject(answer, "read_byte", address << 1 | 1);
            cJSON_AddStringToObject(answer, "usually", who ? who : "");
            cJSON_AddItemToArray(answers, answer);
        }
    }
    cli_print_json(json);
}

/* A bus of this machine. */
static bool scan_place(const char *verb, const char *text, struct jl_scan_result *result) {
    static struct cli_place place;
    if (!cli_open_place(verb, text, NULL, &place)) {
        return false;
    }
    *result = (struct jl_scan_result){.status = jl_scan_i2c(&place.port, result->found)};
    for (int address = 0; address < 128; address++) {
        result->answered += JL_SCAN_FOUND(result->found, address);
    }
    cli_close_place(&place);
    return true;
}

int verb_scan(int argc, const char **argv) {
    int as_json = 0;
    int unplugged = 0;
    char *place = NULL;
    const struct poptOption options[] = {
        {"unplugged", 0, POPT_ARG_NONE, &unplugged, 0,
         "pull all plugs, to see what nobody looks like", NULL},
        {"on", 0, POPT_ARG_STRING, &place, 0, "a bus of this machine instead, as i2c:/dev/i2c-1",
         "PLACE"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(argc, argv, options,
                                    "[CARD...]\n\nPuts the panels of the cards on one simulated "
                                    "I2C bus and asks every address.\nWithout a card: those of "
                                    "the demo. Exit status 1 when nobody answers.\n");
    if (!context) {
        return EXIT_BAD;
    }
    static struct card_list list; /* 70 KB of wake-up sequences: not for the stack */
    collect(context, &list);
    poptFreeContext(context);
    struct jl_scan_result result;
    bool good = true;
    if (place) {
        good = scan_place(argv[0], place, &result);
        free(place);
    } else if (list.failed ||
               !jl_scan_cards(list.cards, list.count, unplugged != 0, &result, &list.complaint)) {
        good = false;
        cli_bad(argv[0], "%s", list.complaint.text);
    }
    if (!good) {
        return EXIT_BAD;
    }
    if (as_json) {
        print_json(&result);
    } else {
        print_text(&result);
    }
    return result.answered ? EXIT_GOOD : EXIT_FINDINGS;
}
