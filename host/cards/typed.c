/*
 * Numbers as they were typed, against a card. A section is a place in which they stand:
 *
 *   [display settings of the project]
 *   form = summed
 *   clock = 33.3 MHz
 *   line-sync = 19
 */
#include "jadelamp/host/timings.h"

#include <errno.h>
#include <ini.h>
#include <stdarg.h>
#include <stdio.h>
#include <string.h>

#include "card_reading.h"

enum { MOST_FILE_BYTES = 65536, TOTAL = JL_TIMING_PARTS };

/* A place, as far as it was read. */
struct place {
    char name[64];
    bool exists;
    int form; /* enum jl_timing_form; -1: not said yet */
    int first_line;
    int values[2][JL_TIMING_PARTS + 1]; /* -1: not typed */
    int lines[2][JL_TIMING_PARTS + 1];
    bool contradicts;
    uint32_t clock_hz;
    uint8_t flags; /* of the card, but for what was typed */
};

struct typing {
    struct reading reading; /* path, lines and complaints */
    const struct jl_card *card;
    struct jl_timings timings;
    struct jl_typed *typed;
    struct place now, chosen;
    int told[JL_TYPED_MOST]; /* the line of each text */
};

static const char *const kinds[] = {"line", "picture"};
static const char *const parts[] = {"sync", "back-porch", "pixels", "front-porch", "total"};

static void begin_place(struct typing *typing, const char *name) {
    struct place *place = &typing->now;
    *place = (struct place){.exists = true, .form = -1, .first_line = typing->reading.line};
    snprintf(place->name, sizeof place->name, "%s", name);
    memset(place->values, 0xFF, sizeof place->values);
    place->clock_hz = typing->card->scanout.config.clock_hz;
    place->flags = typing->card->scanout.config.flags;
}

__attribute__((format(printf, 3, 4))) static void contradict(struct typing *typing, int line,
                                                             const char *format, ...) {
    struct jl_typed *typed = typing->typed;
    char text[160];
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(text, sizeof text, format, arguments);
    va_end(arguments);
    typing->now.contradicts = true;
    if (typed->count++ >= JL_TYPED_MOST) {
        return;
    }
    int at = typed->count - 1; /* as they stand in the file */
    for (; at > 0 && typing->told[at - 1] > line; at--) {
        typing->told[at] = typing->told[at - 1];
        memcpy(typed->texts[at], typed->texts[at - 1], JL_TYPED_TEXT);
    }
    typing->told[at] = line;
    snprintf(typed->texts[at], JL_TYPED_TEXT, "%.60s:%d: %s", typing->reading.path, line, text);
}

/* ---- one place against the card ---- */

/* Of a form, what a key should be; -1: the form has no such number. */
static int wanted(const struct jl_timings *timings, int form, int which, int part) {
    if (part == TOTAL) {
        return timings->totals[which][form];
    }
    bool sums = form == JL_FORM_SUMMED;
    return sums && part == JL_TIMING_FRONT_PORCH ? -1 : timings->parts[which][form][part];
}

/* What somebody may have been thinking of who typed this. */
static const char *likely(const struct typing *typing, int form, int which, int part, int got) {
    const struct jl_timings *timings = &typing->timings;
    int right = wanted(timings, form, which, part);
    int separate = wanted(timings, JL_FORM_SEPARATE, which, part);
    int summed = wanted(timings, JL_FORM_SUMMED, which, part);
    if (form == JL_FORM_SUMMED && got == separate && separate != right) {
        return part == TOTAL ? "; that is not less one" : "; that is the separate form";
    }
    if (form == JL_FORM_SUMMED && got == right + 1) {
        return "; that is the sum, not less one";
    }
    if (form != JL_FORM_SUMMED && got == summed) {
        return "; that is the summed form";
    }
    if (form == JL_FORM_SEPARATE && part == JL_TIMING_BACK_PORCH && got == summed + 1) {
        return "; that is the back porch with the sync";
    }
    if (form == JL_FORM_SEPARATE && got == right - 1) {
        return "; that is less one, as the summed form is";
    }
    if (form == JL_FORM_LINK && got == separate) {
        return "; that is in pixel clocks";
    }
    return "";
}

static void compare_numbers(struct typing *typing) {
    const struct place *place = &typing->now;
    for (int which = 0; which < 2; which++) {
        for (int part = 0; part <= TOTAL; part++) {
            int got = place->values[which][part];
            if (got < 0) {
                continue;
            }
            int right = wanted(&typing->timings, place->form, which, part);
            typing->typed->numbers++;
            if (right < 0) {
                contradict(typing, place->lines[which][part],
                           "%s-%s: the summed form has no such number, but %s-total", kinds[which],
                           parts[part], kinds[which]);
            } else if (got != right) {
                contradict(typing, place->lines[which][part], "%s-%s = %d: by the card it is %d%s",
                           kinds[which], parts[part], got, right,
                           likely(typing, place->form, which, part, got));
            }
        }
    }
}

/* What a peripheral does with such numbers: porches and pixels. */
static bool rebuild(const struct typing *typing, const struct place *place, int which,
                    struct jl_porches *porches, int *pixels) {
    const struct jl_timings *timings = &typing->timings;
    int form = place->form, value[JL_TIMING_PARTS + 1];
    for (int part = 0; part <= TOTAL; part++) {
        int got = place->values[which][part];
        value[part] = got >= 0 ? got : wanted(timings, form, which, part);
    }
    if (form == JL_FORM_SUMMED) {
        value[JL_TIMING_FRONT_PORCH] = value[TOTAL] - value[JL_TIMING_PIXELS];
        value[JL_TIMING_PIXELS] -= value[JL_TIMING_BACK_PORCH];
        value[JL_TIMING_BACK_PORCH] -= value[JL_TIMING_SYNC];
        value[JL_TIMING_SYNC]++;
    } else if (form == JL_FORM_LINK && !which) {
        double per_clock = timings->link_line / timings->sums.line_clocks;
        for (int part = 0; part < JL_TIMING_PARTS; part++) {
            int right = timings->parts[which][form][part];
            value[part] = value[part] == right ? timings->parts[which][JL_FORM_SEPARATE][part]
                                               : (int)(value[part] / per_clock + 0.5);
        }
    }
    for (int part = 0; part < JL_TIMING_PARTS; part++) {
        if (value[part] < (part == JL_TIMING_SYNC || part == JL_TIMING_PIXELS) ||
            value[part] > 4096) {
            return false;
        }
    }
    *porches =
        (struct jl_porches){(uint16_t)value[JL_TIMING_SYNC], (uint16_t)value[JL_TIMING_BACK_PORCH],
                            (uint16_t)value[JL_TIMING_FRONT_PORCH]};
    *pixels = value[JL_TIMING_PIXELS];
    return true;
}

/* A place is over. */
static bool end_place(struct typing *typing) {
    struct place *place = &typing->now;
    if (!place->exists) {
        return true;
    }
    if (place->form < 0) {
        jl_host_card_fail_at(&typing->reading, place->first_line,
                             "[%s] ends without form: expected separate, summed or link",
                             place->name);
        return false;
    }
    compare_numbers(typing);
    if (!typing->chosen.exists || (place->contradicts && !typing->chosen.contradicts)) {
        typing->chosen = *place;
    }
    return true;
}

/* ---- keys ---- */

static bool take_form(struct typing *typing, const char *value) {
    static const struct choice forms[] = {{"separate", JL_FORM_SEPARATE},
                                          {"summed", JL_FORM_SUMMED},
                                          {"link", JL_FORM_LINK},
                                          {NULL, 0}};
    struct reading *reading = &typing->reading;
    if (!jl_host_card_choice(reading, "form", value, forms, &typing->now.form)) {
        return false;
    }
    return typing->now.form != JL_FORM_LINK || typing->card->scanout.link_hz ||
           FAIL(reading, "form = link: the card %s has no link-clock in [bus]", typing->card->name);
}

static bool take_clock(struct typing *typing, const char *value) {
    struct place *place = &typing->now;
    uint32_t right = typing->card->scanout.config.clock_hz;
    if (!jl_host_card_hertz(&typing->reading, "clock", value, &place->clock_hz)) {
        return false;
    }
    typing->typed->numbers++;
    if (place->clock_hz != right) {
        contradict(typing, typing->reading.line, "clock = %s: by the card it is %.2f MHz", value,
                   right / 1e6);
    }
    return true;
}

/* Polarities and the edge: what a flag of the description says. */
static bool take_level(struct typing *typing, const char *key, const char *value) {
    static const struct choice low_high[] = {{"low", 0}, {"high", 1}, {NULL, 0}};
    static const struct choice high_low[] = {{"high", 0}, {"low", 1}, {NULL, 0}};
    static const struct choice edges[] = {{"rising", 0}, {"falling", 1}, {NULL, 0}};
    static const struct {
        const char *name;
        uint8_t flag;
        const struct choice *choices;
    } levels[] = {{"hsync", JL_SCANOUT_HSYNC_HIGH, low_high},
                  {"vsync", JL_SCANOUT_VSYNC_HIGH, low_high},
                  {"de", JL_SCANOUT_DE_LOW, high_low},
                  {"edge", JL_SCANOUT_FALLING, edges}};
    uint8_t *flags = &typing->now.flags, card = typing->card->scanout.config.flags;
    for (size_t i = 0; i < sizeof levels / sizeof levels[0]; i++) {
        int set = 0;
        if (strcmp(levels[i].name, key) != 0) {
            continue;
        }
        if (!jl_host_card_choice(&typing->reading, key, value, levels[i].choices, &set)) {
            return false;
        }
        *flags = (uint8_t)(set ? *flags | levels[i].flag : *flags & ~levels[i].flag);
        typing->typed->numbers++;
        if ((*flags ^ card) & levels[i].flag) {
            contradict(typing, typing->reading.line, "%s = %s: by the card it is %s", key, value,
                       levels[i].choices[!set].name);
        }
        return true;
    }
    return FAIL(&typing->reading,
                "unknown key %s; known are: form, clock, hsync, vsync, de, edge, and line- or "
                "picture- with sync, back-porch, pixels, front-porch, total",
                key);
}

static bool take_number(struct typing *typing, int which, int part, const char *key,
                        const char *value) {
    struct place *place = &typing->now;
    long number;
    if (!jl_host_parse_number(value, 0, 65535, &number)) {
        return FAIL(&typing->reading, "%s = %s: expected a number, 0 to 65535", key, value);
    }
    if (place->values[which][part] >= 0) {
        return FAIL(&typing->reading, "%s stands twice in [%s], first in line %d", key, place->name,
                    place->lines[which][part]);
    }
    place->values[which][part] = (int)number;
    place->lines[which][part] = typing->reading.line;
    return true;
}

/* The handler of inih: 1 is good, 0 is an error. */
static int take(void *context, const char *section, const char *name, const char *value) {
    struct typing *typing = context;
    if (typing->reading.failed) {
        return 0;
    }
    if (!*section) {
        return FAIL(&typing->reading,
                    "%s stands before the first section: expected a line such as [settings]", name);
    }
    if (!typing->now.exists || strcmp(typing->now.name, section) != 0) {
        if (!end_place(typing)) {
            return 0;
        }
        begin_place(typing, section);
    }
    for (int which = 0; which < 2; which++) {
        size_t length = strlen(kinds[which]);
        for (int part = 0; part <= TOTAL; part++) {
            if (strncmp(name, kinds[which], length) == 0 && name[length] == '-' &&
                strcmp(name + length + 1, parts[part]) == 0) {
                return take_number(typing, which, part, name, value);
            }
        }
    }
    return strcmp(name, "form") == 0    ? take_form(typing, value)
           : strcmp(name, "clock") == 0 ? take_clock(typing, value)
                                        : take_level(typing, name, value);
}

/* The card as a peripheral with these numbers has it. */
static void make_card(struct typing *typing) {
    struct jl_typed *typed = typing->typed;
    const struct place *place = &typing->chosen;
    struct jl_scanout_config config = typing->card->scanout.config;
    struct jl_scanout_sums sums;
    int width = config.width, height = config.height;
    typed->card = *typing->card;
    config.clock_hz = place->clock_hz;
    config.least_hz = config.most_hz = 0; /* limits are the glass's */
    config.flags = place->flags;
    typed->is_possible = rebuild(typing, place, 0, &config.line, &width) &&
                         rebuild(typing, place, 1, &config.picture, &height);
    config.width = (int16_t)width;
    config.height = (int16_t)height;
    if (typed->is_possible &&
        jl_scanout_sums(&config, typing->card->format->bits_per_pixel, &sums) == JL_OK) {
        typed->card.scanout.config = config;
        typed->card.width = width;
        typed->card.height = height;
        typed->card.clock_hz = config.clock_hz;
    } else {
        typed->is_possible = false;
    }
}

bool jl_typed_read(const char *path, const struct jl_card *card, struct jl_typed *typed,
                   struct jl_complaint *complaint) {
    struct typing typing = {
        .reading = {.path = path, .bytes_left = MOST_FILE_BYTES, .complaint = complaint},
        .card = card,
        .typed = typed};
    *typed = (struct jl_typed){.numbers = 0};
    if (!jl_timings_of(card, &typing.timings)) {
        return jl_complain(complaint, "%s is not scanned out: it has no such timings", card->name);
    }
    typing.reading.stream = fopen(path, "r");
    if (!typing.reading.stream) {
        return jl_complain(complaint, "cannot read %s: %s", path, strerror(errno));
    }
    int bad_line = ini_parse_stream(jl_host_card_next_line, &typing.reading, take, &typing);
    fclose(typing.reading.stream);
    if (bad_line > 0 && (!typing.reading.failed || bad_line < typing.reading.failed_line)) {
        typing.reading.failed = false;
        jl_host_card_fail_at(&typing.reading, bad_line, "expected [section] or key = value");
    }
    if (typing.reading.failed || !end_place(&typing)) {
        return false;
    }
    if (!typed->numbers) {
        return jl_complain(complaint, "%s: there is no number to compare", path);
    }
    make_card(&typing);
    return true;
}
