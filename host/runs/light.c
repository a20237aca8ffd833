/* First light of a card. */
#include "jadelamp/host/light.h"

#include <errno.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "light_content.h"
#include "light_screen.h"

struct session {
    struct jl_light_result *result;
    const struct jl_light_request *request;
    struct jl_baked_picture *picture; /* NULL: none */
    struct jl_picture *film;          /* empty at first */
    struct jl_complaint *lost;        /* gets what there was no memory for */
};

enum { FILM_PHASES = 8 };

/* A picture that is scanned out is on the glass when all of its lines are. */
static jl_status scan_out(struct jl_rig *rig) {
    struct jl_scanout_sums sums;
    jl_status status =
        jl_scanout_sums(&rig->card.scanout.config, rig->card.format->bits_per_pixel, &sums);
    uint32_t before = jl_rgb_picture_count(rig->sim.rgb);
    for (int line = 0; status == JL_OK && jl_rgb_picture_count(rig->sim.rgb) == before; line++) {
        jl_board_wait_ps(rig->board, sums.line_ns * (uint64_t)1000);
        status = line > UINT16_MAX ? JL_TIMEOUT : JL_OK;
    }
    return status;
}

static jl_status present(struct jl_rig *rig, const struct session *session) {
    const char *title = rig->card.controller->name, *text = session->request->text;
    if (rig->card.cells.bus) {
        return text ? jl_host_cells_text(&rig->cells, text) : jl_char_test_card(&rig->cells, title);
    }
    struct jl_frame *frame = jl_rig_frame(rig);
    if (session->request->screen) {
        jl_screen_draw(session->request->screen, session->request->state, &frame->target);
    } else if (session->picture) {
        jl_host_draw_picture(frame, session->picture);
    } else if (text) {
        jl_host_draw_text(frame, text);
    } else {
        jl_host_draw_test_card(frame, title);
    }
    if (session->request->film) {
        int columns = frame->target.width > 200 ? 2 : 4;
        jl_status status = JL_OK;
        jl_rig_film_update(rig, FILM_PHASES, columns, session->film, &status, session->lost);
        return status;
    }
    jl_status status = jl_rig_present(rig);
    return status == JL_OK && rig->sim.rgb ? scan_out(rig) : status;
}

static bool write_film(struct jl_light_result *result, const char *directory,
                       const struct jl_picture *film, struct jl_complaint *complaint) {
    struct jl_sight *sight = &result->sight;
    return !film->rgb || (jl_path_join(sight->film_path, sizeof sight->film_path, directory,
                                       result->rig.card.name, "-film.png", complaint) &&
                          jl_png_write(sight->film_path, film, complaint));
}

static void run(void *context) {
    const struct session *session = context;
    struct jl_light_result *result = session->result;
    struct jl_rig *rig = &result->rig;
    double start_us = jl_rig_now_us(rig);
    uint64_t start_bytes = jl_rig_bus_bytes(rig);
    errno = 0;
    result->wake_status = jl_rig_wake(rig);
    double woken_us = jl_rig_now_us(rig);
    uint64_t woken_bytes = jl_rig_bus_bytes(rig);
    bool awake = !rig->sim.rgb || result->wake_status == JL_OK; /* else there is no frame */
    result->present_status = awake ? present(rig, session) : JL_NOT_AWAKE;
    if (rig->card.module & JL_MODULE_LIGHT_WIRED) {
        jl_panel_light(&rig->panel, true);
    }
    if (errno == ENOMEM && !*session->lost->text) { /* what the bus says of it would mislead */
        jl_complain(session->lost, "out of memory for the board of %s", rig->card.name);
    }
    result->wake = (struct jl_wire_cost){woken_us - start_us, woken_bytes - start_bytes};
    result->present =
        (struct jl_wire_cost){jl_rig_now_us(rig) - woken_us, jl_rig_bus_bytes(rig) - woken_bytes};
}

bool jl_light(const struct jl_card *card, const struct jl_light_request *request,
              struct jl_light_result *result, struct jl_complaint *complaint) {
    struct jl_baked_picture picture = {0};
    struct jl_picture film = {0};
    struct jl_complaint lost = {""};
    struct session session = {result, request, request->picture ? &picture : NULL, &film, &lost};
    memset(result, 0, sizeof *result);
    if (request->film && (card->cells.bus || !card->controller->driver->paper)) {
        return jl_complain(complaint, "%s shows its picture at once: a film is of e-paper",
                           card->name);
    }
    if (request->screen && card->cells.bus) {
        return jl_complain(complaint, "%s is a character module: a screen sheet is for pixels",
                           card->name);
    }
    if (!jl_rig_open_on(&result->rig, card, request->glass ? request->glass : card, complaint)) {
        return false;
    }
    struct jl_rig *rig = &result->rig;
    if (request->beside) {
        jl_twin_begin(&result->twin, &rig->port, request->beside);
    }
    if (request->picture && !jl_host_bake_for(rig, request->picture, &picture, complaint)) {
        return false;
    }
    const struct jl_sight_request look = {.directory = request->directory,
                                          .base = card->name,
                                          .scale = request->scale,
                                          .no_wires = request->no_wires};
    bool good =
        jl_fault_inject(request->faults, request->fault_count, rig, UINT64_MAX, complaint) &&
        jl_sight_of(rig, &look, run, &session, &result->sight, complaint) &&
        (!*lost.text || jl_complain(complaint, "%s", lost.text)) &&
        write_film(result, request->directory, &film, complaint) &&
        (!request->screen || result->present_status != JL_OK ||
         jl_host_light_sheets(rig, request, &result->sight, complaint));
    jl_picture_free(&film);
    jl_baked_picture_free(&picture);
    return good;
}

void jl_light_close(struct jl_light_result *result) {
    jl_sight_free(&result->sight);
    jl_rig_close(&result->rig);
}
