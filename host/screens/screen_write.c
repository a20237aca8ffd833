/* A screen as C: the header, the body, and functions to fill in. */
#include <string.h>
#include <unistd.h>

#include "../baking/c_files.h"
#include "write_parts.h"

static bool has_hands(const struct jl_screen *screen) {
    bool hands = screen->key_count > 0;
    for (int i = 0; i < screen->item_count; i++) {
        hands |= screen->items[i].kind == ITEM_BUTTON || screen->items[i].kind == ITEM_SLIDER;
    }
    return hands;
}

/* What a button or a slider calls; NULL: nothing. */
static const char *called(const struct jl_screen *screen, const struct item *item) {
    return item->kind == ITEM_BUTTON && item->goes == NONE ? item->name
           : item->kind == ITEM_SLIDER                     ? screen->values[item->value].name
                                                           : NULL;
}

/* Whether the screen has it as a member: to redraw it, or for hands. */
static bool keeps_instrument(const struct jl_screen *screen, int index) {
    const struct item *item = &screen->items[index];
    bool hands = item->kind == ITEM_BUTTON || item->kind == ITEM_SLIDER;
    return hands || jl_host_redraws_itself(screen, index);
}

/* ---- the header ---- */

static void write_value(FILE *out, const struct value *value) {
    char least[TEXT_OF_VALUE], most[TEXT_OF_VALUE];
    bool small = value->least >= INT16_MIN && value->most <= INT16_MAX;
    jl_host_value_text(value, value->least, NULL, least);
    jl_host_value_text(value, value->most, NULL, most);
    switch (value->kind) {
    case JL_SCREEN_NUMBER:
        fprintf(out, "    int%d_t %s; /**< %s to %s", small ? 16 : 32, value->name, least, most);
        if (value->decimals) {
            fprintf(out, ", without the point: %ld to %ld", (long)value->least, (long)value->most);
        }
        fputs(" */\n", out);
        break;
    case JL_SCREEN_CLOCK:
        fprintf(out, "    int16_t %s; /**< minutes of the day%s */\n", value->name,
                value->least < 0 ? "; -1: none" : "");
        break;
    case JL_SCREEN_CHOICE:
        fprintf(out, "    uint8_t %s; /**<", value->name);
        for (int i = 0; i < value->count; i++) {
            /* Texts could end the comment: letters, digits and blanks alone are told. */
            fprintf(out, "%s %d: ", i ? "," : "", i);
            for (const char *c = value->choices[i]; *c; c++) {
                fputc(strchr("*/\\\n", *c) ? '_' : *c, out);
            }
        }
        fputs(" */\n", out);
        break;
    case JL_SCREEN_WORDS:
        fprintf(out, "    char %s[%d]; /**< UTF-8, zero-terminated */\n", value->name,
                value->count + 1);
        break;
    case JL_SCREEN_SWITCH:
        fprintf(out, "    bool %s;\n", value->name);
        break;
    case JL_SCREEN_SERIES:
        fprintf(out, "    int16_t %s[%d]; /**< %s to %s each */\n", value->name, value->count,
                least, most);
        break;
    }
}

static void write_struct(FILE *out, const struct jl_screen *screen) {
    const char *name = screen->name;
    fprintf(out, "enum {");
    for (int i = 0; i < screen->page_count; i++) {
        fprintf(out, "%s %s_page_%s", i ? "," : "", name, screen->page_names[i]);
    }
    fputs(" };\n\n", out);
    if (screen->value_count) {
        fprintf(out, "struct %s_values {\n", name);
        for (int i = 0; i < screen->value_count; i++) {
            write_value(out, &screen->values[i]);
        }
        fputs("};\n\n", out);
    }
    fprintf(out,
            "/** Zero it before the first use. The members behind `page` are the screen's own. "
            "*/\nstruct %s {\n",
            name);
    if (screen->value_count) {
        fprintf(out, "    struct %s_values values; /**< the program's to set */\n", name);
    }
    fputs(
        "    uint8_t page;\n    uint8_t shown_page;\n    bool drawn; /* false: all is to be drawn "
        "*/\n",
        out);
    if (screen->value_count) {
        fprintf(out, "    struct %s_values shown;\n", name);
    }
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        if (keeps_instrument(screen, i)) {
            const char *type = jl_host_instrument_type(item);
            fprintf(out, "    struct jl_%s %s_%d; /* line %d */\n", type, type, i, item->line);
        }
    }
    fputs("};\n\n", out);
}

static void write_header(FILE *out, const struct jl_screen *screen) {
    static const char *const kinds[] = {"1-bit", "grey", "colour"};
    const char *name = screen->name;
    fprintf(out, "/*\n * For %s glass of %d x %d.\n */\n", kinds[screen->glass.colors],
            screen->glass.width, screen->glass.height);
    write_struct(out, screen);
    fprintf(out,
            "/** Draws the page on any target: a frame, a band, the panel itself. */\n"
            "void %s_draw(const struct %s *screen, struct jl_target *target);\n\n"
            "/** Draws what changed since the last time, on a frame or the panel itself. Returns "
            "whether there\n * was anything. */\n"
            "bool %s_update(struct %s *screen, struct jl_target *target);\n",
            name, name, name, name);
    if (!has_hands(screen)) {
        return;
    }
    fprintf(out,
            "\n/** What hands do: pages, buttons, sliders. Returns whether it was for the screen. "
            "*/\nbool %s_event(struct %s *screen, const struct jl_event *event);\n",
            name, name);
    bool first = true;
    for (int i = 0; i < screen->item_count; i++) {
        const char *function = called(screen, &screen->items[i]);
        if (function) {
            fprintf(out, "%svoid %s_on_%s(struct %s *screen);\n",
                    first ? "\n/* The program's: what buttons and sliders do. */\n" : "", name,
                    function, name);
            first = false;
        }
    }
}

/* ---- functions to fill in ---- */

/* Written once, then the user's: never over something. */
static bool write_events(const struct jl_screen *screen, const char *directory, bool *wrote,
                         struct jl_complaint *complaint) {
    char path[1024], text[8000];
    size_t length = 0;
    int functions = 0;
    length += (size_t)snprintf(text, sizeof text, "#include \"%s.h\"\n", screen->name);
    for (int i = 0; i < screen->item_count && length < sizeof text - 300; i++) {
        const char *function = called(screen, &screen->items[i]);
        if (function) {
            length += (size_t)snprintf(text + length, sizeof text - length,
                                       "\nvoid %s_on_%s(struct %s *screen) {\n    (void)screen; "
                                       "/* to fill in */\n}\n",
                                       screen->name, function, screen->name);
            functions++;
        }
    }
    return jl_path_join(path, sizeof path, directory, screen->name, "_events.c", complaint) &&
           (!functions || access(path, F_OK) == 0 ||
            (*wrote = jl_file_put(path, text, length, complaint)));
}

/* ---- what it costs ---- */

static size_t value_bytes(const struct value *value) {
    switch (value->kind) {
    case JL_SCREEN_NUMBER:
        return value->least >= INT16_MIN && value->most <= INT16_MAX ? 2 : 4;
    case JL_SCREEN_CLOCK:
        return 2;
    case JL_SCREEN_WORDS:
        return value->count + 1u;
    case JL_SCREEN_SERIES:
        return value->count * 2u;
    default:
        return 1;
    }
}

/* Of this machine's pointers of 64 bits, half is too much. */
static size_t instrument_bytes(const struct item *item) {
    static const size_t bytes[] = {
        [ITEM_BAR] = sizeof(struct jl_bar),       [ITEM_DIAL] = sizeof(struct jl_dial),
        [ITEM_LEVEL] = sizeof(struct jl_level),   [ITEM_PROGRESS] = sizeof(struct jl_progress),
        [ITEM_DIGITS] = sizeof(struct jl_digits), [ITEM_NUMBER] = sizeof(struct jl_number),
        [ITEM_LAMP] = sizeof(struct jl_lamp),     [ITEM_BUTTON] = sizeof(struct jl_button),
        [ITEM_SLIDER] = sizeof(struct jl_slider)};
    return bytes[item->kind] - (sizeof(void *) - 4);
}

/* Gaps for alignment: at most 3 bytes a member. */
static size_t ram_bytes(const struct jl_screen *screen) {
    size_t values = 0, all = 4;
    for (int i = 0; i < screen->value_count; i++) {
        values = (values + 3) / 4 * 4 + value_bytes(&screen->values[i]);
    }
    for (int i = 0; i < screen->item_count; i++) {
        all += keeps_instrument(screen, i) ? (instrument_bytes(&screen->items[i]) + 3) / 4 * 4 : 0;
    }
    return all + 2 * ((values + 3) / 4 * 4);
}

static void count(const struct jl_screen *screen, struct jl_screen_cost *cost) {
    memset(cost, 0, sizeof *cost);
    for (int i = 0; i < screen->font_count; i++) {
        cost->font_bytes += screen->fonts[i].baked.bytes;
        cost->fonts += screen->fonts[i].baked.table != NULL;
    }
    for (int i = 0; i < screen->picture_count; i++) {
        const struct jl_baked_picture *baked = &screen->pictures[i].baked;
        cost->picture_bytes += baked->pixel_bytes + baked->mask_bytes;
    }
    cost->pictures = screen->picture_count;
    cost->items = screen->item_count;
    cost->most_ram_bytes = ram_bytes(screen);
}

bool jl_screen_write(const struct jl_screen *screen, const char *directory, const char *made,
                     struct jl_screen_cost *cost, struct jl_complaint *complaint) {
    struct c_files files;
    if (!jl_host_c_files_begin(&files, directory, screen->name, made, "jadelamp/jadelamp.h",
                               complaint)) {
        return false;
    }
    FILE *body = files.body.stream;
    write_header(files.header.stream, screen);
    jl_host_write_looks(body, screen);
    jl_host_write_faces(body, screen);
    jl_host_write_items(body, screen);
    jl_host_write_calls(body, screen);
    count(screen, cost);
    return jl_host_c_files_commit(&files, complaint) &&
           write_events(screen, directory, &cost->wrote_events, complaint);
}
