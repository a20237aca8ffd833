/* An update of e-paper in pictures. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/async.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/host/sheet.h"

enum { SCALE = 2, STEP_MS = 20 };

/* Photos at every so many milliseconds; when all places are taken, every second one goes. */
struct film {
    struct jl_picture photos[2 * JL_RIG_MOST_PHASES];
    int ms[2 * JL_RIG_MOST_PHASES];
    int count, apart_ms;
};

static void thin_out(struct film *film) {
    for (int i = 0; i < film->count; i++) {
        if (i % 2) {
            jl_picture_free(&film->photos[i]);
        } else {
            film->photos[i / 2] = film->photos[i];
            film->ms[i / 2] = film->ms[i];
        }
    }
    film->count = (film->count + 1) / 2;
    film->apart_ms *= 2;
}

static bool shoot(struct jl_rig *rig, struct film *film, int ms) {
    if (film->count == 2 * JL_RIG_MOST_PHASES) {
        thin_out(film);
    }
    film->ms[film->count] = ms;
    bool good = jl_rig_photo(rig, SCALE, &film->photos[film->count]);
    film->count += good;
    return good;
}

/* The photos that are shown, with their times. */
static bool lay_out(const struct film *film, int count, int columns, struct jl_picture *sheet) {
    struct jl_picture photos[JL_RIG_MOST_PHASES];
    char times[JL_RIG_MOST_PHASES][24];
    const char *captions[JL_RIG_MOST_PHASES];
    for (int i = 0; i < count; i++) {
        /* Closer at the beginning, where it flashes: by the square of the place. */
        int last = (count - 1) * (count - 1);
        int from = (i * i * (film->count - 1) + last / 2) / last;
        photos[i] = film->photos[from];
        snprintf(times[i], sizeof times[i], "%d.%02d s", film->ms[from] / 1000,
                 film->ms[from] % 1000 / 10);
        captions[i] = times[i];
    }
    return jl_sheet_create(sheet, photos, captions, count, columns);
}

bool jl_rig_film_update(struct jl_rig *rig, int count, int columns, struct jl_picture *sheet,
                        jl_status *status, struct jl_complaint *complaint) {
    struct jl_async async;
    struct film *film = calloc(1, sizeof *film);
    if (!rig->controller.paper || count < 2 || count > JL_RIG_MOST_PHASES || columns < 1) {
        free(film);
        return jl_complain(complaint, "%s: a film is of e-paper, in 2 to %d pictures",
                           rig->card.name, JL_RIG_MOST_PHASES);
    }
    bool good = film != NULL;
    *status = jl_async_init(&async, &rig->panel, NULL, NULL);
    *status = *status == JL_OK ? jl_async_present(&async, &rig->frame) : *status;
    if (good) {
        film->apart_ms = STEP_MS;
    }
    double start_us = jl_rig_now_us(rig);
    for (int step = 0; good && *status == JL_OK; step++) {
        *status = jl_async_poll(&async);
        if (step * STEP_MS % film->apart_ms == 0 || *status == JL_OK) {
            good = shoot(rig, film, (int)((jl_rig_now_us(rig) - start_us) / 1000));
        }
        if (*status != JL_BUSY) {
            break;
        }
        *status = JL_OK;
        jl_board_wait_ps(rig->board, (uint64_t)STEP_MS * 1000000000u);
    }
    memset(sheet, 0, sizeof *sheet);
    good = good && (film->count == 0 || lay_out(film, count, columns, sheet));
    for (int i = 0; film && i < film->count; i++) {
        jl_picture_free(&film->photos[i]);
    }
    free(film);
    return good || jl_complain(complaint, "out of memory for the film of %s", rig->card.name);
}
