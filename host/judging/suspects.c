/* The usual mistakes, each made for once. */
#include "jadelamp/host/suspects.h"

#include <errno.h>
#include <stdlib.h>
#include <string.h>

#include "../runs/light_content.h"
#include "mistakes.h"
#include "sequence.h"
#include "trial.h"

/* The middle of the frame alone, as a program sends what it has drawn. */
static jl_status send_middle(struct jl_rig *rig) {
    const struct jl_frame *frame = &rig->frame;
    const struct jl_format *format = frame->format;
    int w = rig->panel.width, h = rig->panel.height;
    struct jl_rect area = {(int16_t)(w / 4 & ~7), (int16_t)(h / 4 & ~7), (int16_t)(w / 2 & ~7),
                           (int16_t)(h / 2 & ~7)};
    int bits = format->bits_per_pixel << format->line_rows_log2; /* of a column of a line */
    size_t at = (size_t)(area.y >> format->line_rows_log2) * frame->stride_bytes +
                (size_t)(area.x * bits / 8);
    return jl_panel_send(&rig->panel, area, frame->pixels + at, frame->stride_bytes);
}

static jl_status show_middle(struct jl_rig *rig, const char *title) {
    jl_status status = jl_rig_wake(rig);
    if (status == JL_OK) {
        jl_host_draw_test_card(jl_rig_frame(rig), title);
        status = send_middle(rig);
    }
    return status;
}

/* What the driver itself refuses is no mistake that anybody sees. */
static bool is_refused(jl_status status) {
    return status == JL_BAD_SIZE || status == JL_BAD_TURN || status == JL_BAD_FORMAT ||
           status == JL_BAD_FRAME_SIZE || status == JL_OUT_OF_RANGE || status == JL_UNSUPPORTED;
}

/* The card's own sequence, or the driver's, without its clearing. */
static bool leave_clearing_out(struct jl_card *card) {
    struct sequence *sequence = malloc(sizeof *sequence);
    bool good = sequence && jl_host_sequence_of(card, sequence);
    int kept = 0;
    for (int i = 0; good && i < sequence->count; i++) {
        const struct sequence_item *item = &sequence->items[i];
        bool clear = !item->is_command && item->count && item->bytes[0] == JL_STEP_CODE_CLEAR;
        if (!clear) {
            sequence->items[kept++] = *item;
        }
    }
    if (good) {
        sequence->count = kept;
        good = jl_host_sequence_into(sequence, card);
    }
    free(sequence);
    return good;
}

static int scale_of(const struct jl_card *card) {
    int width = card->cells.bus ? 6 * card->width : card->turn & 1 ? card->height : card->width;
    int scale = 300 / (width + 6);
    return scale < 2 ? 2 : scale > 4 ? 4 : scale;
}

/* The glass under a mistake; NULL: none. False: the card cannot have it; or, with ENOMEM in errno,
 * there is no memory. */
static bool photograph(const struct jl_card *card, const struct mistake *mistake,
                       struct jl_picture *photo, const char **dark) {
    struct jl_card typed = *card, glass = *card; /* large; on the desktop's stack */
    struct jl_rig *rig = calloc(1, sizeof *rig);
    struct bend *bend = calloc(1, sizeof *bend);
    struct jl_complaint ignored = {""};
    bool good = rig && bend && (!mistake || !mistake->alter || mistake->alter(&typed)) &&
                (!mistake || !mistake->alter_glass || mistake->alter_glass(&glass)) &&
                (!mistake || !mistake->uncleared || leave_clearing_out(&typed)) &&
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
        const char *title = card->controller->name;
        jl_status status = mistake && mistake->uncleared ? show_middle(rig, title)
                           : mistake && mistake->bend == BEND_SILENT
                               ? JL_OK
                               : jl_host_trial_show(rig, title);
        good = !is_refused(status);
        if (card->module & JL_MODULE_LIGHT_WIRED) { /* whatever became of the panel */
            (void)jl_panel_light(&rig->panel, true);
        }
        jl_board_wait_ps(rig->board, TRIAL_LIGHT_UP_PS);
        rig->card.turn = card->turn; /* the glass is mounted as it is */
        *dark = jl_device_why_dark(rig->device);
        good = good && jl_rig_photo(rig, scale_of(card), photo);
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
    if (card->controller->scanned) {
        return jl_complain(complaint,
                           "%s is scanned out: suspects are drawn of panels that have a memory",
                           card->name);
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
        errno = 0;
        bool had = jl_host_mistake_fits(mistake, card) && photograph(card, mistake, photo, &dark);
        if (errno == ENOMEM) { /* on a board, too: then the photo is of something else */
            jl_picture_free(photo);
            return jl_complain(complaint, "out of memory for the mistakes of %s", card->name);
        }
        if (!had) {
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
