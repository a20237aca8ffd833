/*
 * Inside a screen sheet: what its lines say (items), and the calls of the library that they
 * become (ops). Ops are drawn here and written as C from the same numbers, so that the two agree.
 */
#ifndef JADELAMP_HOST_SCREEN_PARTS_H
#define JADELAMP_HOST_SCREEN_PARTS_H

#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/bake_picture.h"
#include "jadelamp/host/screen_sheet.h"
#include "jadelamp/jadelamp.h"
#include "sheet_words.h"

enum {
    MOST_PAGES = 12,
    MOST_COLORS = 48,
    MOST_FONTS = 16,
    MOST_OTHERS = 4, /* fonts behind a font */
    MOST_THEMES = 8,
    MOST_PICTURES = 48,
    MOST_CHOICES = 12,
    MOST_ITEMS = 240,
    MOST_OPS = 600,
    MOST_POINTS = 12,
    MOST_PIECES = 12, /* of a text with values in it */
    MOST_ZONES = 4,
    MOST_KEYS = 12,
    MOST_FINDINGS = 60,
    MOST_GLASSES = 12,
    MOST_SAMPLES = 4096,
    NAME_BYTES = 32,
    CHOICE_BYTES = 32,
    NONE = -1,
};

struct color {
    char name[NAME_BYTES];
    jl_color color;
};

struct font {
    char name[NAME_BYTES];
    int line;
    const struct jl_font *font; /* as it is drawn with; NULL: not baked yet */
    const char *constant;       /* that it is in the library, or NULL */
    char path[512];             /* empty: it is the library's */
    int pixels, bits;
    struct jl_code_set *wanted; /* what is shown in it */
    struct jl_baked_font baked;
    int others[MOST_OTHERS], other_count;
    const struct jl_font *chain[MOST_OTHERS + 1]; /* the same, ending with NULL */
};

struct theme {
    char name[NAME_BYTES];
    struct jl_theme theme;
    int font, large; /* of the sheet's */
};

struct picture {
    char path[512];
    int width, height, line; /* asked for; 0: as it is */
    struct jl_baked_picture baked;
};

struct value {
    char name[NAME_BYTES];
    int line;
    enum jl_screen_value_kind kind;
    int32_t least, most;
    uint8_t decimals;
    char choices[MOST_CHOICES][CHOICE_BYTES];
    uint16_t count; /* choices, bytes, or numbers of a series */
    int32_t *samples;
    int sample_count;
    char words[JL_SCREEN_WORDS_BYTES];
};

/* A part of a text: letters, or a value. */
struct piece {
    int value; /* NONE: letters */
    char letters[WORD_BYTES];
};

enum compare { ALWAYS, EQUAL, UNEQUAL, LESS, MORE, AT_MOST, AT_LEAST };
struct condition {
    enum compare compare;
    int value;
    int32_t number;
};

enum item_kind {
    ITEM_GROUND,
    ITEM_RECT,
    ITEM_CIRCLE,
    ITEM_LINE,
    ITEM_TEXT,
    ITEM_PICTURE,
    ITEM_CURVE,
    ITEM_BAR,
    ITEM_DIAL,
    ITEM_LEVEL,
    ITEM_PROGRESS,
    ITEM_DIGITS,
    ITEM_NUMBER,
    ITEM_LAMP,
    ITEM_BUTTON,
    ITEM_SLIDER,
};

/* What a line says. Members that a kind has no use for are not read for it. */
struct item {
    enum item_kind kind;
    int line, page;        /* NONE: on all pages */
    char name[NAME_BYTES]; /* of a button */
    struct jl_rect box;
    struct jl_point points[MOST_POINTS];
    int point_count;
    bool has_box, has_place, has_fill, has_stroke, has_scale, smooth, wraps, has_numbers;
    jl_color fill, stroke, ink, paper;
    int radius, width, font, theme;
    uint8_t anchor; /* sum of jl_anchor */
    struct piece pieces[MOST_PIECES];
    int piece_count;
    char label[WORD_BYTES], unit[NAME_BYTES];
    int value;
    int32_t from, to, step;
    struct jl_zone zones[MOST_ZONES];
    int zone_count;
    int start, sweep; /* degrees */
    int major, minor, divisions, segments, places, decimals;
    int pictures[MOST_CHOICES], picture_count;
    int size_w, size_h;
    int across, mark; /* values of a curve's mark: where, and how high; NONE */
    jl_color mark_ink;
    int goes; /* a page; NONE */
    struct condition when;
    /* What comes of it. */
    struct jl_rect paints; /* at most */
    bool covers;           /* it paints all of that, whatever was there */
    uint64_t needs;        /* bits: values that it depends on */
};

enum op_kind {
    OP_CLEAR,
    OP_FILL_RECT,
    OP_STROKE_RECT,
    OP_FILL_ROUNDED,
    OP_STROKE_ROUNDED,
    OP_FILL_CIRCLE,
    OP_STROKE_CIRCLE,
    OP_LINE,
    OP_WIDE_LINE,
    OP_SMOOTH_DISC,
    OP_SMOOTH_RING,
    OP_SMOOTH_LINE,
    OP_SMOOTH_ROUNDED,
    OP_SMOOTH_FRAME,
    OP_TEXT,
    OP_TEXT_AT,
    OP_TEXT_FIELD,
    OP_TEXT_BOX,
    OP_IMAGE,
    OP_BITMAP, /* of one bit: what an image is on 1-bit glass, without the code for images */
    OP_CURVE,
    OP_INSTRUMENT,
};

/* A call of the library, on behalf of an item. */
struct op {
    enum op_kind kind;
    int item;
    int arguments[6]; /* in the order of the call; a rectangle is four, a point two */
    jl_color color;
};

/* How calls are written: a letter an argument. r: a rectangle, p: a point, n: a number, e: round
 * ends, c: the colour, z: no paper. NULL: not in this way. */
struct op_call {
    const char *function, *arguments;
};
extern const struct op_call jl_host_op_calls[];

struct key_way {
    int key, page; /* NONE: on all pages */
    int goes;      /* a page, or NONE */
    int button;    /* an item, or NONE */
};

struct jl_screen {
    char name[NAME_BYTES], file[512], folder[512];
    struct jl_screen_glass glass;
    char page_names[MOST_PAGES][NAME_BYTES];
    int page_count;
    struct color colors[MOST_COLORS];
    int color_count;
    struct font fonts[MOST_FONTS];
    int font_count;
    struct theme themes[MOST_THEMES];
    int theme_count;
    struct picture pictures[MOST_PICTURES];
    int picture_count;
    struct value values[JL_SCREEN_VALUES];
    int value_count;
    struct item items[MOST_ITEMS];
    int item_count;
    struct op ops[MOST_OPS];
    int op_count;
    struct key_way keys[MOST_KEYS];
    int key_count;
    char *findings[MOST_FINDINGS];
    size_t finding_count;
};

/* A sheet while it is read. */
struct sheet_reading {
    struct jl_screen *screen;
    struct words words;
    struct jl_screen_glass wanted;
    struct jl_screen_glass glasses[MOST_GLASSES];
    int glass_count;
    int page;   /* that lines are on; NONE: all */
    bool skips; /* lines are of another variant: `only` */
    char folder[512];
};

/* ---- reading, a file a subject ---- */

bool jl_host_sheet_read_color(struct sheet_reading *reading);
bool jl_host_sheet_read_font(struct sheet_reading *reading);
bool jl_host_sheet_read_theme(struct sheet_reading *reading);
bool jl_host_sheet_read_value(struct sheet_reading *reading);

/* An item of this kind, whose word was taken. */
bool jl_host_sheet_read_item(struct sheet_reading *reading, enum item_kind kind);

/* An item of which nothing is said yet. */
struct item jl_host_item_new(enum item_kind kind, int line, int page);

/* A text with values in it, "Tide {height} m", as pieces of an item. */
bool jl_host_sheet_read_pieces(struct sheet_reading *reading, struct item *item, const char *text);

/* The kind of a word; NONE: it begins no item. */
int jl_host_item_kind(const char *word);
const char *jl_host_item_word(enum item_kind kind);

/* Takes a colour: a name, #RRGGBB, or three percentages; and "none", where `clear` allows it. */
bool jl_host_sheet_color(struct sheet_reading *reading, bool clear, jl_color *color);

/* Takes the name of a font, of the library or of the sheet. NONE: complained. */
int jl_host_sheet_font(struct sheet_reading *reading);

/* The same of a theme; without a name the usual one of the glass. NONE: complained. */
int jl_host_sheet_theme(struct sheet_reading *reading);
int jl_host_sheet_usual_theme(struct sheet_reading *reading);

/* Takes the name of a value. NONE: complained. */
int jl_host_sheet_value(struct sheet_reading *reading);

/* A path from the sheet's folder. False: complained. */
bool jl_host_sheet_path(struct sheet_reading *reading, const char *name, char path[512]);

/* A value from a word or a text, as samples are written. False: complained. */
bool jl_host_value_read(struct words *words, const struct value *value, int32_t *number,
                        char text[JL_SCREEN_WORDS_BYTES]);

/* ---- values as text ---- */

/* What a number looks like; `out` of TEXT_OF_VALUE bytes. */
enum { TEXT_OF_VALUE = 80 };
void jl_host_value_text(const struct value *value, int32_t number, const char *words, char *out);

/* The text of an item with these values. */
void jl_host_item_text(const struct jl_screen *screen, const struct item *item,
                       const struct jl_screen_state *state, char *out, size_t size);

/* The widest that an item's text can be, pixels; -1: not known, of words that the program makes. */
int jl_host_item_widest(const struct jl_screen *screen, const struct item *item);

/* Whether an item's text is as wide as this, whatever its values are. */
bool jl_host_item_is_always(const struct jl_screen *screen, const struct item *item, int width);

/* The widest that a value can be, of all kinds but words and series. */
int jl_host_value_widest(const struct jl_text_style *style, const struct value *value);

/* How an item's text looks. */
struct jl_text_style jl_host_item_style(const struct jl_screen *screen, const struct item *item);

/* ---- what items become ---- */

/* Adds all characters that a font must have; bakes fonts and pictures. False: complained. */
bool jl_host_sheet_bake(struct jl_screen *screen, struct jl_complaint *complaint);

/* Makes ops of the items. False: complained, there are too many. */
bool jl_host_sheet_lower(struct jl_screen *screen, struct jl_complaint *complaint);

/* Looks for what a careful reader would object to. */
void jl_host_sheet_look(struct jl_screen *screen);

/* Whether an item is on a page; and whether its condition holds. */
static inline bool jl_host_item_is_on(const struct item *item, int page) {
    return item->page == NONE || item->page == page;
}
bool jl_host_condition_holds(const struct condition *when, const struct jl_screen_state *state);

/* Draws an op. */
void jl_host_op_draw(const struct jl_screen *screen, const struct op *op,
                     const struct jl_screen_state *state, struct jl_target *target);

/* Draws an item that is an instrument. */
void jl_host_instrument_draw(const struct jl_screen *screen, const struct item *item,
                             const struct jl_screen_state *state, struct jl_target *target);

/* The face of a slider. */
struct jl_slider_face jl_host_slider_face(const struct jl_screen *screen, const struct item *item);

/* The most points of a curve: a series, and the two corners below it. */
enum { CURVE_POINTS = JL_SCREEN_SERIES_NUMBERS + 2 };

/* The points of a curve's series, and of its mark. */
void jl_host_curve_points(const struct item *item, const int16_t *series, int count,
                          struct jl_point points[CURVE_POINTS]);

#endif
