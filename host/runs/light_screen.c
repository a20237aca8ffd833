/* Contact sheets of a screen: its pages, and its values as they change. */
#include "light_screen.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/sheet.h"

enum { MOST_TILES = 12, SHEET_WIDTH = 1240, MOST_COLUMNS = 4, CAPTION_BYTES = 48 };

struct tiles {
    struct jl_picture pictures[MOST_TILES];
    char captions[MOST_TILES][CAPTION_BYTES];
    int count;
};

static bool add(struct tiles *tiles, struct jl_rig *rig, const struct jl_screen *screen,
                const struct jl_screen_state *state, int scale, struct jl_complaint *complaint) {
    jl_screen_draw(screen, state, &jl_rig_frame(rig)->target);
    jl_status status = jl_rig_present(rig);
    if (status != JL_OK) {
        return jl_complain(complaint, "a picture of the contact sheet: %s", jl_status_text(status));
    }
    if (!jl_rig_photo(rig, scale, &tiles->pictures[tiles->count])) {
        return jl_complain(complaint, "out of memory for a contact sheet");
    }
    tiles->count++;
    return true;
}

static bool write_tiles(struct tiles *tiles, int columns, const char *directory, const char *base,
                        const char *ending, char path[JL_SIGHT_PATH_BYTES],
                        struct jl_complaint *complaint) {
    const char *captions[MOST_TILES];
    struct jl_picture sheet = {0};
    for (int i = 0; i < tiles->count; i++) {
        captions[i] = tiles->captions[i];
    }
    bool good = jl_sheet_create(&sheet, tiles->pictures, captions, tiles->count, columns) ||
                jl_complain(complaint, "out of memory for a contact sheet");
    good = good && jl_path_join(path, JL_SIGHT_PATH_BYTES, directory, base, ending, complaint) &&
           jl_png_write(path, &sheet, complaint);
    jl_picture_free(&sheet);
    return good;
}

static void free_tiles(struct tiles *tiles) {
    for (int i = 0; i < tiles->count; i++) {
        jl_picture_free(&tiles->pictures[i]);
    }
    tiles->count = 0;
}

/* How large photos are, so that a row of them fits. */
static int scale_of(const struct jl_rig *rig, int columns) {
    int width = rig->card.turn & 1 ? rig->card.height : rig->card.width;
    int scale = SHEET_WIDTH / columns / (width + 8);
    return scale < 2 ? 2 : scale > 6 ? 6 : scale;
}

static int columns_of(int count) {
    return count < MOST_COLUMNS ? count : MOST_COLUMNS;
}

static bool write_pages(struct jl_rig *rig, const struct jl_light_request *request,
                        struct jl_sight *sight, struct jl_complaint *complaint) {
    const struct jl_screen *screen = request->screen;
    struct jl_screen_state state = *request->state;
    struct tiles tiles = {.count = 0};
    int pages = jl_screen_page_count(screen), columns = columns_of(pages);
    bool good = true;
    for (state.page = 0; state.page < pages && state.page < MOST_TILES && good; state.page++) {
        snprintf(tiles.captions[tiles.count], CAPTION_BYTES, "%s",
                 jl_screen_page_name(screen, state.page));
        good = add(&tiles, rig, screen, &state, scale_of(rig, columns), complaint);
    }
    good = good && write_tiles(&tiles, columns, request->directory, rig->card.name, "-pages.png",
                               sight->pages_path, complaint);
    free_tiles(&tiles);
    return good;
}

/* Evenly from the first sample to the last. */
static bool write_strip(struct jl_rig *rig, const struct jl_light_request *request,
                        struct jl_sight *sight, struct jl_complaint *complaint) {
    const struct jl_screen *screen = request->screen;
    struct jl_screen_state state;
    struct tiles tiles = {.count = 0};
    int samples = jl_screen_sample_count(screen);
    int count = samples < MOST_TILES ? samples : MOST_TILES, columns = columns_of(count);
    bool good = true;
    for (int i = 0; i < count && good; i++) {
        int step = (int)((long)i * (samples - 1) / (count - 1));
        jl_screen_sample(screen, step, &state);
        state.page = request->state->page;
        snprintf(tiles.captions[tiles.count], CAPTION_BYTES, "sample %d", step);
        good = add(&tiles, rig, screen, &state, scale_of(rig, columns), complaint);
    }
    good = good && write_tiles(&tiles, columns, request->directory, rig->card.name, "-film.png",
                               sight->film_path, complaint);
    free_tiles(&tiles);
    return good;
}

bool jl_host_light_sheets(struct jl_rig *rig, const struct jl_light_request *request,
                          struct jl_sight *sight, struct jl_complaint *complaint) {
    const struct jl_screen *screen = request->screen;
    return (jl_screen_page_count(screen) < 2 || write_pages(rig, request, sight, complaint)) &&
           (request->film || jl_screen_sample_count(screen) < 2 ||
            write_strip(rig, request, sight, complaint));
}
