/* The usual mistakes, each made for once. */
#include "jadelamp/host/suspects.h"

#include <stdlib.h>
#include <string.h>

#include "../runs/light_content.h"
#include "mistakes.h"

#define LIGHT_UP_PS 300000000000u

static void show(struct jl_rig *rig, const struct jl_card *glass) {
    jl_status status = jl_rig_wake(rig);
    if (status == JL_OK && glass->cells.bus) {
        (void)jl_char_test_card(&rig->cells, glass->controller->name);
    } else if (status == JL_OK) {
        jl_host_draw_test_card(jl_rig_frame(rig), glass->controller->name);
        status = jl_rig_present(rig);
    }
    if (glass->module & JL_MODULE_LIGHT_WIRED) {
        (void)jl_panel_light(&rig->panel, true);
    }
    jl_board_wait_ps(rig->board, LIGHT_UP_PS);
}

static int scale_of(const struct jl_card *card) {
    int width = card->cells.bus ? 6 * card->width : card->turn & 1 ? card->height : card->width;
    int scale = 300 / (width + 6);
    return scale < 2 ? 2 : scale > 4 ? 4 : scale;
}

/* The glass under a mistake; NULL: none. False: the card cannot have it, or there is no memory. */
static bool photograph(const struct jl_card *card, const struct mistake *mistake,
                       struct jl_picture *photo, const char **dark) {
    struct jl_card typed = *card, glass = *card; /* large; on the desktop's stack */
    struct jl_rig *rig = calloc(1, sizeof *rig);
    struct bend *bend = calloc(1, sizeof *bend);
    struct jl_complaint ignored = {""};
    bool good = rig && bend && (!mistake || !mistake->alter || mistake->alter(&typed)) &&
                (!mistake || !mistake->alter_glass || mistake->alter_glass(&glass)) &&
                jl_rig_open_on(rig, &typed, &glass, &ignored);
    bool open = good;
    if (good && mistake) {
        *bend = (struct bend){
            .kind = mistake->bend, .opcode = mistake->opcode, .value = mistake->value};
        if (mistake->bend != BEND_NOTHING && mistake->bend != BEND_SILENT) {
            jl_host_bend_stand(bend, rig);
        }
        struct jl_fault fault;
        good = !mistake->fault || (jl_fault_read(mistake->fault, &fault, &ignored) &&
                                   jl_fault_inject(&fault, 1, rig, UINT64_MAX, &ignored));
    }
    if (good) {
        if (!mistake || mistake->bend != BEND_SILENT) {
            show(rig, card);
        }
        rig->card.turn = card->turn; /* the glass is mounted as it is */
        *dark = jl_device_why_dark(rig->device);
        good = jl_rig_photo(rig, scale_of(card), photo);
    }
    if (open) {
        jl_rig_close(rig);
    }
    free(rig);
    free(bend);
    return good;
}

static bool same(const struct jl_picture *a, const struct jl_picture *b) {
    return a->width == b->width && a->height == b->height &&
           memcmp(a->rgb, b->rgb, (size_t)a->width * (size_t)a->height * 3) == 0;
}

bool jl_suspects_draw(const struct jl_card *card, struct jl_suspects *suspects,
                      struct jl_complaint *complaint) {
    const char *dark = NULL;
    memset(suspects, 0, sizeof *suspects);
    if (!card->cells.bus && (card->controller->scanned || card->controller->driver->paper)) {
        return jl_complain(complaint,
                           "%s is %s: suspects are drawn of panels that show their memory",
                           card->name, card->controller->scanned ? "scanned out" : "e-paper");
    }
    if (!photograph(card, NULL, &suspects->right, &dark)) {
        return jl_complain(complaint, "cannot build the board for %s", card->name);
    }
    suspects->has_no_border = card->cells.bus != JL_CELLS_NONE;
    suspects->bezel = 3 * scale_of(card); /* of three dots: jl_glass_photo() */
    for (int i = 0; i < jl_host_mistake_count && suspects->count < JL_SUSPECTS_MOST; i++) {
        const struct mistake *mistake = &jl_host_mistakes[i];
        struct jl_picture *photo = &suspects->photos[suspects->count];
        dark = NULL;
        if (!jl_host_mistake_fits(mistake, card) || !photograph(card, mistake, photo, &dark)) {
            continue;
        }
        if (same(photo, &suspects->right)) { /* this card bears it */
            jl_picture_free(photo);
            continue;
        }
        suspects->list[suspects->count] = mistake->told;
        suspects->dark[suspects->count++] = dark;
    }
    return true;
}

void jl_suspects_free(struct jl_suspects *suspects) {
    jl_picture_free(&suspects->right);
    for (int i = 0; i < suspects->count; i++) {
        jl_picture_free(&suspects->photos[i]);
    }
    suspects->count = 0;
}
