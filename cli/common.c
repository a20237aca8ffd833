/* What the verbs share. */
#include "cli.h"

#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/ioctl.h>
#include <unistd.h>

#include "jadelamp/host/findings.h"
#include "jadelamp/host/terminal.h"

int cli_next_option(poptContext context, const char **argv) {
    char name[64];
    const char *verb = argv[0];
    snprintf(name, sizeof name, "jadelamp %s", verb);
    argv[0] = name; /* for the usage line that popt prints */
    int code = poptGetNextOpt(context);
    argv[0] = verb;
    if (code < -1) {
        cli_bad(verb, "%s: %s; see jadelamp %s --help",
                poptBadOption(context, POPT_BADOPTION_NOALIAS), poptStrerror(code), verb);
    }
    return code;
}

poptContext cli_parse(int argc, const char **argv, const struct poptOption *options,
                      const char *operands) {
    poptContext context = poptGetContext(argv[0], argc, argv, options, 0);
    poptSetOtherOptionHelp(context, operands);
    if (cli_next_option(context, argv) < -1) {
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

int cli_finish(const char *verb, int status) {
    /* A part may have gone out before: then only the stream knows that it failed. */
    if (fflush(stdout) != 0 || ferror(stdout)) {
        return cli_bad(verb, "the output could not be written");
    }
    return status;
}

bool cli_too_many(poptContext context, const char *verb) {
    const char *operand = poptGetArg(context);
    if (operand) {
        cli_bad(verb, "\"%s\" is one argument too many; see jadelamp %s --help", operand, verb);
    }
    return operand != NULL;
}

const char *cli_take_card(poptContext context, const char *verb) {
    const char *name = context ? poptGetArg(context) : NULL;
    if (context && !name) {
        cli_bad(verb, "name a card: a file or one that jadelamp catalog lists");
    }
    return name && !cli_too_many(context, verb) ? name : NULL;
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
    printf("%dx%d cells, ", card->width, card->height);
    if (card->cells.bus == JL_CELLS_EXPANDER) {
        printf("4 bits behind I2C at 0x%02X, ", card->i2c_address);
        print_clock(card->clock_hz);
    } else if (card->cells.bus == JL_CELLS_I2C) {
        printf("I2C at 0x%02X, ", card->i2c_address);
        print_clock(card->clock_hz);
    } else {
        printf("%d bits%s", eight ? 8 : 4, card->cells.reads_busy ? " with busy flag" : "");
    }
}

void cli_print_card(const struct jl_card *card) {
    printf("%s, ", card->controller->name);
    cli_print_card_briefly(card);
}

void cli_print_card_briefly(const struct jl_card *card) {
    if (card->cells.bus) {
        print_cells(card);
        return;
    }
    printf("%dx%d, ", card->width, card->height);
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
    case JL_BUS_MEMORY_LCD:
        printf("SPI of a memory LCD, ");
        break;
    case JL_BUS_RGB:
        printf("RGB of %d lines, ", card->scanout.config.data_lines);
        break;
    }
    print_clock(card->clock_hz);
}

cJSON *cli_card_json(const struct jl_card *card) {
    static const char *const buses[] = {"i2c",           "spi",     "spi-3wire",
                                        "8080-8",        "8080-16", "6800-8",
                                        "st7920-serial", "rgb",     "memory-lcd"};
    static const char *const cells[] = {"", "parallel-4", "parallel-8", "expander", "i2c"};
    cJSON *json = cJSON_CreateObject();
    cli_json_text(json, "name", card->name);
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
    if (card->bus == JL_BUS_RGB) {
        cJSON_AddItemToObject(json, "timings", cli_timings_json(card));
    }
    if (card->touch.controller) {
        cJSON_AddStringToObject(json, "touch", card->touch.controller->name);
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

/* Bytes of the UTF-8 character at the beginning of a text; 0: it is none (RFC 3629, section 4). */
static size_t character_bytes(const unsigned char *at) {
    size_t more = at[0] < 0x80                    ? 0
                  : at[0] >= 0xC2 && at[0] < 0xE0 ? 1
                  : at[0] >= 0xE0 && at[0] < 0xF0 ? 2
                  : at[0] >= 0xF0 && at[0] < 0xF5 ? 3
                                                  : SIZE_MAX;
    if (more == SIZE_MAX || (at[0] == 0xE0 && at[1] < 0xA0) || (at[0] == 0xED && at[1] > 0x9F) ||
        (at[0] == 0xF0 && at[1] < 0x90) || (at[0] == 0xF4 && at[1] > 0x8F)) {
        return 0;
    }
    for (size_t i = 1; i <= more; i++) {
        if ((at[i] & 0xC0) != 0x80) {
            return 0;
        }
    }
    return more + 1;
}

/* What is printed with a part missing would be taken for whole. */
static void *there_or_end(void *memory) {
    if (!memory) {
        fputs("jadelamp: out of memory for what is printed\n", stderr);
        exit(EXIT_BAD);
    }
    return memory;
}

static void *memory_or_end(size_t bytes) {
    return there_or_end(malloc(bytes));
}

void cli_json_begin(void) {
    cJSON_InitHooks(&(cJSON_Hooks){.malloc_fn = memory_or_end, .free_fn = free});
}

void cli_json_text(cJSON *json, const char *name, const char *text) {
    char *clean = memory_or_end(3 * strlen(text) + 1);
    char *out = clean;
    for (const char *at = text; *at;) {
        size_t bytes = character_bytes((const unsigned char *)at);
        memcpy(out, bytes ? at : "\xEF\xBF\xBD", bytes ? bytes : 3);
        out += bytes ? bytes : 3;
        at += bytes ? bytes : 1;
    }
    *out = '\0';
    cJSON_AddStringToObject(json, name, clean);
    free(clean);
}

void cli_json_files(cJSON *json, const char *const *paths, size_t count) {
    cJSON *files = cJSON_AddArrayToObject(json, "files");
    for (size_t i = 0; i < count; i++) {
        cJSON *holder = cJSON_CreateObject();
        cli_json_text(holder, "path", paths[i]);
        cJSON_AddItemToArray(files, cJSON_DetachItemFromObject(holder, "path"));
        cJSON_Delete(holder);
    }
}

void cli_json_findings(cJSON *json, const struct jl_board *board, uint64_t offset_ps) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(board, &list);
    cJSON *array = cJSON_AddArrayToObject(json, "diagnostics");
    for (size_t i = 0; i < count; i++) {
        cJSON *entry = cJSON_CreateObject();
        cJSON_AddNumberToObject(entry, "microseconds",
                                1e3 * jl_findings_ms(list[i].at_ps, offset_ps));
        cJSON_AddNumberToObject(entry, "last_microseconds",
                                1e3 * jl_findings_ms(list[i].last_ps, offset_ps));
        cJSON_AddNumberToObject(entry, "count", list[i].count);
        cJSON_AddStringToObject(entry, "code", jl_code_name(list[i].code));
        cJSON_AddStringToObject(entry, "device", list[i].device);
        cJSON_AddStringToObject(entry, "part", list[i].part);
        cJSON_AddNumberToObject(entry, "byte", (double)list[i].byte);
        cJSON_AddStringToObject(entry, "severity", jl_severity_name(list[i].severity));
        cJSON_AddStringToObject(entry, "text", list[i].text);
        cJSON_AddItemToArray(array, entry);
    }
}

void cli_json_sight(cJSON *json, const struct jl_rig *rig, const struct jl_sight *sight) {
    cJSON_AddBoolToObject(json, "lit", sight->why_dark == NULL);
    cJSON_AddStringToObject(json, "why_dark", sight->why_dark ? sight->why_dark : "");
    if (sight->cells_text) {
        cli_json_text(json, "text", sight->cells_text);
    }
    cli_json_findings(json, rig->board, sight->offset_ps);
    const char *const all[] = {sight->glass_path, sight->photo_path, sight->capture_path,
                               sight->film_path, sight->pages_path};
    enum { ALL = sizeof all / sizeof all[0] };
    const char *files[ALL];
    size_t written = 0;
    for (size_t i = 0; i < ALL; i++) {
        if (*all[i]) {
            files[written++] = all[i];
        }
    }
    cli_json_files(json, files, written);
}

/* Of the terminal; where there is none, as the environment says, or 80. */
static int terminal_columns(void) {
    struct winsize size;
    const char *said = getenv("COLUMNS");
    if (ioctl(STDOUT_FILENO, TIOCGWINSZ, &size) == 0 && size.ws_col > 0) {
        return size.ws_col;
    }
    long columns = said ? strtol(said, NULL, 10) : 0;
    return columns > 0 && columns <= 10000 ? (int)columns : 80;
}

void cli_print_glass(const struct jl_picture *glass, const char *style) {
    char *text = there_or_end(jl_terminal_text(
        glass, strcmp(style, "braille") == 0 ? JL_TERMINAL_BRAILLE : JL_TERMINAL_BLOCKS,
        terminal_columns()));
    fputs(text, stdout);
    free(text);
}

bool cli_good_look(const char *verb, const char *style, int scale) {
    if (style && strcmp(style, "blocks") != 0 && strcmp(style, "braille") != 0) {
        return cli_bad(verb, "--terminal %s: expected blocks or braille", style), false;
    }
    if (scale != 0 && (scale < 2 || scale > 32)) {
        return cli_bad(verb, "--scale %d: expected 2 to 32", scale), false;
    }
    return true;
}

void cli_free_texts(char **texts) {
    for (char **text = texts; text && *text; text++) {
        free(*text);
    }
    free(texts);
}

void cli_base_of(const char *path, char *name, size_t size) {
    const char *slash = strrchr(path, '/');
    snprintf(name, size, "%s", slash ? slash + 1 : path);
    char *dot = strrchr(name, '.');
    if (dot && dot != name) {
        *dot = '\0';
    }
}
