/* Items of a sheet: a word, and what stands behind it in any order. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "screen_parts.h"

/* What a kind must or may have; for complaints, and so that nothing is said in vain. */
enum {
    BOX = 1,        /* needs X Y W x H behind its word, or "in" */
    VALUE = 2,      /* needs a value behind its word */
    SCALE = 4,      /* scale, good, warn, alarm */
    THEME = 8,      /* theme */
    PAINT = 16,     /* fill, stroke */
    INK = 32,       /* ink */
    LETTERS = 64,   /* font, paper, anchors, wrap */
    LABEL = 128,    /* label */
    ROUND = 256,    /* radius */
    SMOOTH = 512,   /* smooth */
    SWITCHES = 1024 /* goes */
};

static const struct {
    const char *word;
    unsigned has;
    const char *example;
} kinds[] = {
    [ITEM_GROUND] = {"ground", 0, "ground navy"},
    [ITEM_RECT] = {"rect", BOX | PAINT | ROUND | SMOOTH, "rect 4 4 120 x 20 fill navy radius 3"},
    [ITEM_CIRCLE] = {"circle", PAINT | ROUND | SMOOTH, "circle 60 60 radius 20 stroke white"},
    [ITEM_LINE] = {"line", INK | SMOOTH, "line 4 30 to 120 30 ink white width 2"},
    [ITEM_TEXT] = {"text", INK | LETTERS, "text \"Tide {height} m\" at 4 20 font 6x8"},
    [ITEM_PICTURE] = {"picture", 0, "picture \"boat.png\" at 10 20 size 64 x 48"},
    [ITEM_CURVE] = {"curve", BOX | VALUE | SCALE | PAINT,
                    "curve day in 26 34 204 x 130 scale 0 to "
                    "450 stroke aqua fill navy"},
    [ITEM_BAR] = {"bar", BOX | VALUE | SCALE | THEME, "bar level in 4 40 120 x 10 scale 0 to 100"},
    [ITEM_DIAL] = {"dial", BOX | VALUE | SCALE | THEME | LABEL,
                   "dial wind in 8 192 120 x 120 scale 0 to 60 start 225 sweep 270"},
    [ITEM_LEVEL] = {"level", BOX | VALUE | SCALE | THEME,
                    "level battery in 4 40 60 x 12 scale 0 to 100 segments 10"},
    [ITEM_PROGRESS] = {"progress", BOX | VALUE | THEME, "progress done in 4 50 120 x 8"},
    [ITEM_DIGITS] = {"digits", BOX | VALUE | THEME, "digits height in 4 16 98 x 30 places 4"},
    [ITEM_NUMBER] = {"number", BOX | VALUE | SCALE | THEME | LABEL,
                     "number height in 4 16 98 x 30 label \"Tide\" unit \"m\""},
    [ITEM_LAMP] = {"lamp", BOX | VALUE | THEME | LABEL, "lamp pump in 4 50 60 x 12 label \"Pump\""},
    [ITEM_BUTTON] = {"button", BOX | THEME | LABEL | SWITCHES,
                     "button open in 4 50 60 x 24 label \"Open\""},
    [ITEM_SLIDER] = {"slider", BOX | VALUE | SCALE | THEME,
                     "slider gate in 4 50 120 x 24 scale 0 to 100 step 5"},
};
enum { KINDS = sizeof kinds / sizeof kinds[0] };

int jl_host_item_kind(const char *word) {
    for (int i = 0; i < KINDS; i++) {
        if (strcmp(kinds[i].word, word) == 0) {
            return i;
        }
    }
    return NONE;
}

const char *jl_host_item_word(enum item_kind kind) {
    return kinds[kind].word;
}

/* ---- what stands behind the word ---- */

static bool add_point(struct sheet_reading *reading, struct item *item) {
    if (item->point_count == MOST_POINTS) {
        return WORDS_FAIL(&reading->words, "a line has at most %d points", MOST_POINTS);
    }
    return jl_host_word_place(&reading->words, &item->points[item->point_count++]);
}

static bool read_file_of(struct sheet_reading *reading, struct item *item) {
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    if (screen->picture_count == MOST_PICTURES || item->picture_count == MOST_CHOICES) {
        return WORDS_FAIL(words, "a sheet has at most %d pictures, and an item %d", MOST_PICTURES,
                          MOST_CHOICES);
    }
    struct picture *picture = &screen->pictures[screen->picture_count];
    memset(picture, 0, sizeof *picture);
    picture->line = words->line;
    if (!jl_host_sheet_path(reading, jl_host_word_text(words, "a file"), picture->path)) {
        return false;
    }
    item->pictures[item->picture_count++] = screen->picture_count++;
    return true;
}

/* What comes right behind the word. */
static bool read_begin(struct sheet_reading *reading, struct item *item) {
    struct words *words = &reading->words;
    struct jl_screen *screen = reading->screen;
    switch (item->kind) {
    case ITEM_GROUND:
        return jl_host_sheet_color(reading, false, &item->fill);
    case ITEM_RECT:
        item->has_box = true;
        return jl_host_word_box(words, &item->box);
    case ITEM_CIRCLE:
    case ITEM_LINE:
        return add_point(reading, item);
    case ITEM_TEXT: {
        const char *text = jl_host_word_text(words, "the text");
        return text && jl_host_sheet_read_pieces(reading, item, text);
    }
    case ITEM_PICTURE:
        if (words->at < words->count && !words->quoted[words->at]) {
            item->value = jl_host_sheet_value(reading);
            if (item->value == NONE) {
                return false;
            }
            enum jl_screen_value_kind kind = screen->values[item->value].kind;
            if (kind != JL_SCREEN_CHOICE && kind != JL_SCREEN_SWITCH) {
                return WORDS_FAIL(words,
                                  "picture %s: expected a choice or a switch, which chooses "
                                  "among pictures",
                                  screen->values[item->value].name);
            }
        }
        while (words->at < words->count && words->quoted[words->at]) {
            if (!read_file_of(reading, item)) {
                return false;
            }
        }
        return true;
    case ITEM_BUTTON:
        return jl_host_word_name(words, "the name of a button", item->name);
    default:
        item->value = jl_host_sheet_value(reading);
        return item->value != NONE;
    }
}

static bool read_scale(struct sheet_reading *reading, struct item *item) {
    struct words *words = &reading->words;
    int decimals = reading->screen->values[item->value].decimals;
    item->has_scale = true;
    if (!jl_host_word_fixed(words, "where the scale begins", decimals, &item->from) ||
        !jl_host_word_must(words, "to", "scale 0 to 100") ||
        !jl_host_word_fixed(words, "where the scale ends", decimals, &item->to)) {
        return false;
    }
    /* A curve's numbers have 16 bits, and what they are multiplied with 13. */
    int32_t least = item->kind == ITEM_CURVE ? INT16_MIN : -INT32_MAX;
    int32_t most = item->kind == ITEM_CURVE ? INT16_MAX : INT32_MAX;
    if (item->from < least || item->to > most || (int64_t)item->to - item->from > INT32_MAX) {
        return WORDS_FAIL(words,
                          "scale: it must lie within %ld to %ld without its point, and span "
                          "less than 2147483648",
                          (long)least, (long)most);
    }
    return item->from < item->to || WORDS_FAIL(words, "scale: its begin must lie below its end");
}

/* "good to 40 warn to 60": zones, from the lowest to the highest. */
static bool read_zone(struct sheet_reading *reading, struct item *item, uint8_t grade) {
    struct words *words = &reading->words;
    struct jl_zone zone = {0, grade};
    if (item->zone_count == MOST_ZONES) {
        return WORDS_FAIL(words, "a scale has at most %d zones", MOST_ZONES);
    }
    if (!jl_host_word_must(words, "to", "good to 40 warn to 60 alarm to 100") ||
        !jl_host_word_fixed(words, "where the zone ends",
                            reading->screen->values[item->value].decimals, &zone.to)) {
        return false;
    }
    if (item->zone_count && item->zones[item->zone_count - 1].to >= zone.to) {
        return WORDS_FAIL(words, "zones must rise: good to 40 warn to 60");
    }
    item->zones[item->zone_count++] = zone;
    return true;
}

static bool read_condition(struct sheet_reading *reading, struct item *item) {
    static const struct {
        const char *sign;
        enum compare compare;
    } signs[] = {{"<", LESS}, {">", MORE}, {"!", UNEQUAL}};
    struct words *words = &reading->words;
    struct condition *when = &item->when;
    char ignored[JL_SCREEN_WORDS_BYTES];
    when->value = jl_host_sheet_value(reading);
    if (when->value == NONE) {
        return false;
    }
    const struct value *value = &reading->screen->values[when->value];
    if (value->kind == JL_SCREEN_WORDS || value->kind == JL_SCREEN_SERIES) {
        return WORDS_FAIL(words, "when %s: words and series cannot be compared", value->name);
    }
    for (size_t i = 0; i < sizeof signs / sizeof signs[0]; i++) {
        if (jl_host_word_is(words, signs[i].sign)) {
            when->compare = signs[i].compare;
        }
    }
    bool equal = jl_host_word_is(words, "=");
    if (equal) {
        when->compare = when->compare == LESS   ? AT_MOST
                        : when->compare == MORE ? AT_LEAST
                        : when->compare         ? when->compare
                                                : EQUAL;
    }
    if (!when->compare || (when->compare == UNEQUAL && !equal)) {
        return WORDS_FAIL(words,
                          "when %s: expected = != < > <= or >= and a value, such as when "
                          "%s = ...",
                          value->name, value->name);
    }
    return jl_host_value_read(words, value, &when->number, ignored);
}

static bool read_goes(struct sheet_reading *reading, struct item *item) {
    char name[NAME_BYTES];
    if (!jl_host_word_name(&reading->words, "the name of a page", name)) {
        return false;
    }
    for (int i = 0; i < reading->screen->page_count; i++) {
        if (strcmp(reading->screen->page_names[i], name) == 0) {
            item->goes = i;
            return true;
        }
    }
    return WORDS_FAIL(&reading->words, "%s: no page has that name yet; write page %s above", name,
                      name);
}

/* A word that sets a number. */
struct counted {
    const char *word;
    unsigned needs;
    enum item_kind kind; /* that alone has it, where `needs` is 0 */
    int least, most;
    size_t offset;
};

static const struct counted counts[] = {
    {"radius", ROUND, ITEM_RECT, 0, 4000, offsetof(struct item, radius)},
    {"width", INK, ITEM_LINE, 1, 500, offsetof(struct item, width)},
    {"start", 0, ITEM_DIAL, 0, 359, offsetof(struct item, start)},
    {"sweep", 0, ITEM_DIAL, 1, 360, offsetof(struct item, sweep)},
    {"major", 0, ITEM_DIAL, 0, 60, offsetof(struct item, major)},
    {"minor", 0, ITEM_DIAL, 0, 60, offsetof(struct item, minor)},
    {"divisions", 0, ITEM_BAR, 0, 100, offsetof(struct item, divisions)},
    {"segments", 0, ITEM_LEVEL, 1, 100, offsetof(struct item, segments)},
    {"places", 0, ITEM_DIGITS, 1, 10, offsetof(struct item, places)},
};

enum outcome { NOT_MINE, TAKEN, WRONG };

static enum outcome taken(bool good) {
    return good ? TAKEN : WRONG;
}

static enum outcome read_count(struct sheet_reading *reading, struct item *item) {
    for (size_t i = 0; i < sizeof counts / sizeof counts[0]; i++) {
        const struct counted *count = &counts[i];
        bool mine =
            count->needs ? (kinds[item->kind].has & count->needs) != 0 : item->kind == count->kind;
        if (mine && jl_host_word_is(&reading->words, count->word)) {
            int *number = (int *)((char *)item + count->offset);
            return taken(
                jl_host_word_int(&reading->words, count->word, count->least, count->most, number));
        }
    }
    return NOT_MINE;
}

static enum outcome read_anchor(struct sheet_reading *reading, struct item *item) {
    static const struct {
        const char *word;
        uint8_t anchor, group;
    } anchors[] = {{"left", JL_ANCHOR_LEFT, 3},          {"centre", JL_ANCHOR_CENTRE, 3},
                   {"center", JL_ANCHOR_CENTRE, 3},      {"right", JL_ANCHOR_RIGHT, 3},
                   {"top", JL_ANCHOR_TOP, 12},           {"middle", JL_ANCHOR_MIDDLE, 12},
                   {"baseline", JL_ANCHOR_BASELINE, 12}, {"bottom", JL_ANCHOR_BOTTOM, 12}};
    for (size_t i = 0; i < sizeof anchors / sizeof anchors[0]; i++) {
        if (jl_host_word_is(&reading->words, anchors[i].word)) {
            item->anchor = (uint8_t)((item->anchor & ~anchors[i].group) | anchors[i].anchor);
            return TAKEN;
        }
    }
    return NOT_MINE;
}

static enum outcome read_letters(struct sheet_reading *reading, struct item *item) {
    struct words *words = &reading->words;
    if (jl_host_word_is(words, "font")) {
        item->font = jl_host_sheet_font(reading);
        return taken(item->font != NONE);
    }
    if (jl_host_word_is(words, "paper")) {
        return taken(jl_host_sheet_color(reading, true, &item->paper));
    }
    if (jl_host_word_is(words, "wrap")) {
        item->wraps = true;
        return TAKEN;
    }
    return read_anchor(reading, item);
}

static enum outcome read_paint(struct sheet_reading *reading, struct item *item) {
    struct words *words = &reading->words;
    if (jl_host_word_is(words, "fill")) {
        item->has_fill = true;
        return taken(jl_host_sheet_color(reading, false, &item->fill));
    }
    if (jl_host_word_is(words, "stroke")) {
        item->has_stroke = true;
        return taken(jl_host_sheet_color(reading, false, &item->stroke));
    }
    return NOT_MINE;
}

static enum outcome read_zones(struct sheet_reading *reading, struct item *item) {
    static const char *const grades[] = {"good", "warn", "alarm"};
    if (jl_host_word_is(&reading->words, "scale")) {
        return taken(read_scale(reading, item));
    }
    for (uint8_t i = 0; i < 3; i++) {
        if (jl_host_word_is(&reading->words, grades[i])) {
            return taken(read_zone(reading, item, i));
        }
    }
    return NOT_MINE;
}

/* "mark MINUTE at HEIGHT orange": values; where on the curve, and how high. */
static bool read_mark(struct sheet_reading *reading, struct item *item) {
    item->across = jl_host_sheet_value(reading);
    if (item->across == NONE ||
        !jl_host_word_must(&reading->words, "at", "mark now at height red")) {
        return false;
    }
    item->mark = jl_host_sheet_value(reading);
    return item->mark != NONE && jl_host_sheet_color(reading, false, &item->mark_ink);
}

/* What only one kind has. */
static enum outcome read_own(struct sheet_reading *reading, struct item *item) {
    struct words *words = &reading->words;
    int number;
    switch (item->kind) {
    case ITEM_LINE:
        return jl_host_word_is(words, "to") ? taken(add_point(reading, item)) : NOT_MINE;
    case ITEM_TEXT:
    case ITEM_PICTURE:
        if (jl_host_word_is(words, "at")) {
            item->has_place = true;
            return taken(jl_host_word_place(words, &item->points[0]));
        }
        if (item->kind == ITEM_TEXT && jl_host_word_is(words, "in")) {
            item->has_box = true;
            return taken(jl_host_word_box(words, &item->box));
        }
        if (item->kind == ITEM_PICTURE && jl_host_word_is(words, "size")) {
            return taken(jl_host_word_int(words, "a width", 1, 4096, &item->size_w) &&
                         jl_host_word_must(words, "x", "size 64 x 48") &&
                         jl_host_word_int(words, "a height", 1, 4096, &item->size_h));
        }
        return NOT_MINE;
    case ITEM_DIAL:
        if (jl_host_word_is(words, "numbers")) {
            item->has_numbers = true;
            return TAKEN;
        }
        return NOT_MINE;
    case ITEM_NUMBER:
        if (jl_host_word_is(words, "unit")) {
            const char *unit = jl_host_word_text(words, "the unit");
            if (unit && strlen(unit) >= sizeof item->unit) {
                return taken(
                    WORDS_FAIL(words, "\"%s\": a unit has at most %d bytes", unit, NAME_BYTES - 1));
            }
            snprintf(item->unit, sizeof item->unit, "%s", unit ? unit : "");
            return taken(unit != NULL);
        }
        return NOT_MINE;
    case ITEM_SLIDER:
        return jl_host_word_is(words, "step")
                   ? taken(jl_host_word_fixed(words, "a step",
                                              reading->screen->values[item->value].decimals,
                                              &item->step) &&
                           (item->step > 0 || WORDS_FAIL(words, "step: expected more than 0")))
                   : NOT_MINE;
    case ITEM_LAMP:
        for (number = 0; number < 3; number++) {
            static const char *const grades[] = {"good", "warn", "alarm"};
            if (jl_host_word_is(words, grades[number])) {
                item->zones[0].grade = (uint8_t)number;
                return TAKEN;
            }
        }
        return NOT_MINE;
    case ITEM_CURVE:
        return jl_host_word_is(words, "mark") ? taken(read_mark(reading, item)) : NOT_MINE;
    default:
        return NOT_MINE;
    }
}

static enum outcome read_more(struct sheet_reading *reading, struct item *item) {
    struct words *words = &reading->words;
    unsigned has = kinds[item->kind].has;
    if (jl_host_word_is(words, "when")) {
        return taken(read_condition(reading, item));
    }
    if (has & BOX && item->kind != ITEM_RECT && jl_host_word_is(words, "in")) {
        item->has_box = true;
        return taken(jl_host_word_box(words, &item->box));
    }
    if (has & INK && jl_host_word_is(words, "ink")) {
        return taken(jl_host_sheet_color(reading, false, &item->ink));
    }
    if (has & THEME && jl_host_word_is(words, "theme")) {
        item->theme = jl_host_sheet_theme(reading);
        return taken(item->theme != NONE);
    }
    if (has & LABEL && jl_host_word_is(words, "label")) {
        const char *label = jl_host_word_text(words, "a label");
        snprintf(item->label, sizeof item->label, "%s", label ? label : "");
        return taken(label != NULL);
    }
    if (has & SMOOTH && jl_host_word_is(words, "smooth")) {
        item->smooth = true;
        return TAKEN;
    }
    if (has & SWITCHES && jl_host_word_is(words, "goes")) {
        return taken(read_goes(reading, item));
    }
    enum outcome outcome = read_count(reading, item);
    outcome = outcome == NOT_MINE && has & PAINT ? read_paint(reading, item) : outcome;
    outcome = outcome == NOT_MINE && has & SCALE ? read_zones(reading, item) : outcome;
    outcome = outcome == NOT_MINE && has & LETTERS ? read_letters(reading, item) : outcome;
    return outcome == NOT_MINE ? read_own(reading, item) : outcome;
}

/* ---- what must be there ---- */

static bool check(struct sheet_reading *reading, struct item *item) {
    struct words *words = &reading->words;
    const struct jl_screen *screen = reading->screen;
    const struct value *value = item->value == NONE ? NULL : &screen->values[item->value];
    unsigned has = kinds[item->kind].has;
    const char *missing = NULL;
    if (has & BOX && !item->has_box) {
        missing = "its box";
    } else if (has & PAINT && !item->has_fill && !item->has_stroke) {
        missing = "fill or stroke with a colour";
    } else if (has & SCALE && !item->has_scale && item->kind != ITEM_NUMBER) {
        missing = "its scale";
    } else if (item->kind == ITEM_CIRCLE && item->radius <= 0) {
        missing = "its radius";
    } else if (item->kind == ITEM_LINE && item->point_count < 2) {
        missing = "to X Y";
    } else if (item->kind == ITEM_TEXT && item->has_box == item->has_place) {
        missing = "either at X Y or in X Y W x H";
    } else if (item->kind == ITEM_PICTURE && (!item->has_place || !item->picture_count)) {
        missing = "a file and at X Y";
    }
    if (missing) {
        return WORDS_FAIL(words, "%s: expected %s, as in: %s", kinds[item->kind].word, missing,
                          kinds[item->kind].example);
    }
    bool wants_number = has & VALUE && item->kind != ITEM_CURVE && item->kind != ITEM_LAMP;
    if (wants_number && value->kind != JL_SCREEN_NUMBER) {
        return WORDS_FAIL(words, "%s %s: expected a value that is a number", kinds[item->kind].word,
                          value->name);
    }
    if (item->kind == ITEM_LAMP && value->kind != JL_SCREEN_SWITCH) {
        return WORDS_FAIL(words, "lamp %s: expected a value that is a switch", value->name);
    }
    if (item->kind == ITEM_CURVE && value->kind != JL_SCREEN_SERIES) {
        return WORDS_FAIL(words, "curve %s: expected a value that is a series", value->name);
    }
    int wanted = value && value->kind == JL_SCREEN_SWITCH ? 2 : value ? value->count : 1;
    if (item->kind == ITEM_PICTURE && item->picture_count != wanted) {
        return WORDS_FAIL(
            words, "picture: expected %d file%s, one for each choice, and there %s %d", wanted,
            wanted == 1 ? "" : "s", item->picture_count == 1 ? "is" : "are", item->picture_count);
    }
    return true;
}

struct item jl_host_item_new(enum item_kind kind, int line, int page) {
    return (struct item){.kind = kind,
                         .line = line,
                         .page = page,
                         .value = NONE,
                         .font = NONE,
                         .theme = NONE,
                         .goes = NONE,
                         .across = NONE,
                         .mark = NONE,
                         .ink = JL_WHITE,
                         .paper = JL_CLEAR,
                         .width = 1,
                         .start = 225,
                         .sweep = 270,
                         .segments = 10,
                         .places = 4,
                         .when = {ALWAYS, NONE, 0}};
}

bool jl_host_sheet_read_item(struct sheet_reading *reading, enum item_kind kind) {
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    if (screen->item_count == MOST_ITEMS) {
        return WORDS_FAIL(words, "a sheet has at most %d items", MOST_ITEMS);
    }
    struct item *item = &screen->items[screen->item_count];
    *item = jl_host_item_new(kind, words->line, reading->page);
    if (!read_begin(reading, item)) {
        return false;
    }
    while (words->at < words->count) {
        switch (read_more(reading, item)) {
        case WRONG:
            return false;
        case NOT_MINE:
            return WORDS_FAIL(words, "%s: %s does not have that; as in: %s", words->text[words->at],
                              kinds[kind].word, kinds[kind].example);
        default:
            break;
        }
    }
    if (!check(reading, item)) {
        return false;
    }
    if (item->font == NONE && kind == ITEM_TEXT) {
        words->at = 0; /* the usual one, by its name */
        strcpy(words->text[0], "6x8");
        words->quoted[0] = false;
        item->font = jl_host_sheet_font(reading);
        words->at = words->count;
        if (item->font == NONE) {
            return false;
        }
    }
    if (item->theme == NONE && kinds[kind].has & THEME) {
        item->theme = jl_host_sheet_usual_theme(reading);
        if (item->theme == NONE) {
            return false;
        }
    }
    for (int i = 0; i < item->picture_count; i++) {
        screen->pictures[item->pictures[i]].width = item->size_w;
        screen->pictures[item->pictures[i]].height = item->size_h;
    }
    screen->item_count++;
    return true;
}
