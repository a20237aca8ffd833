/* Baked animations as a sheet of pictures, as C, and on a card's wire. */
#include "c_files.h"
#include "jadelamp/draw.h"
#include "jadelamp/host/bake_frames.h"
#include "jadelamp/host/rig.h"

enum { SHEET_COLUMNS = 5, SHEET_PICTURES = 25, GAP = 4 };

/* ---- the sheet ---- */

bool jl_baked_frames_preview(const struct jl_baked_frames *baked, struct jl_picture *preview) {
    const struct jl_animation *animation = &baked->animation;
    int count = animation->step_count < SHEET_PICTURES ? animation->step_count : SHEET_PICTURES;
    int columns = count < SHEET_COLUMNS ? count : SHEET_COLUMNS;
    int rows = (count + columns - 1) / columns;
    int width = animation->width + GAP, height = animation->height + GAP;
    struct jl_frame frame;
    struct jl_player player;
    if (columns * width > 32767 || rows * height > 32767 ||
        !jl_picture_create(preview, columns * width - GAP, rows * height - GAP)) {
        return false;
    }
    if (jl_frame_init(&frame, &jl_rgb888, (int16_t)preview->width, (int16_t)preview->height,
                      preview->rgb,
                      (size_t)preview->width * (size_t)preview->height * 3) != JL_OK) {
        jl_picture_free(preview);
        return false;
    }
    jl_fill_rect(&frame.target, frame.target.bounds, JL_GREY(96));
    for (int i = 0; i < count; i++) { /* each place is played up to its own picture */
        uint32_t now = 0;
        jl_player_begin(&player, animation, now, true);
        for (int step = 0; step <= i; step++) {
            jl_player_poll(&player, &frame.target, (int16_t)(i % columns * width),
                           (int16_t)(i / columns * height), now);
            now += animation->steps[step].shown_ms;
        }
    }
    return true;
}

/* ---- C ---- */

static void write_part(FILE *stream, const struct jl_animation_part *part, int number) {
    const struct jl_image *image = &part->image;
    fprintf(stream, "    {%d,\n     %d,\n     {.format = &%s,\n      .pixels = part_%d,\n", part->x,
            part->y, jl_bake_format_constant(image->format), number);
    fprintf(stream, "      .width = %d,\n      .height = %d,\n", image->width, image->height);
    if (image->palette) {
        fprintf(stream, "      .palette = palette,\n");
    }
    fprintf(stream, "      .packing = %s,\n", jl_host_c_packing(image));
    fprintf(stream, "     }},\n");
}

static void write_step(FILE *stream, const struct jl_animation_step *step,
                       const struct jl_animation_part *first, const char *before,
                       const char *behind) {
    if (step->part_count) {
        fprintf(stream, "%s{&parts[%d], %d, %d}%s", before, (int)(step->parts - first),
                step->part_count, step->shown_ms, behind);
    } else {
        fprintf(stream, "%s{NULL, 0, %d}%s", before, step->shown_ms, behind);
    }
}

static void write_data(FILE *stream, const struct jl_baked_frames *baked) {
    bool aligned = baked->format == &jl_rgb565_cpu || baked->format == &jl_xrgb8888;
    for (int i = 0; i < baked->part_count; i++) {
        const struct jl_baked_picture *picture = &baked->pictures[i];
        fprintf(stream, "%sstatic const uint8_t JL_FLASH part_%d[%zu] = {\n",
                aligned ? "_Alignas(4) " : "", i, picture->pixel_bytes);
        jl_host_c_write_bytes(stream, picture->pixels, picture->pixel_bytes);
        fprintf(stream, "};\n");
    }
    if (baked->palette_count) {
        fprintf(stream, "static const jl_color palette[%d] = {\n", baked->palette_count);
        for (int i = 0; i < baked->palette_count; i++) {
            fprintf(stream, "    0x%06X,\n", (unsigned)baked->palette[i]);
        }
        fprintf(stream, "};\n");
    }
}

bool jl_baked_frames_write(const struct jl_baked_frames *baked, const char *directory,
                           const char *name, const char *made, struct jl_complaint *complaint) {
    const struct jl_animation *animation = &baked->animation;
    struct c_files files;
    if (!jl_host_c_files_begin(&files, directory, name, made, "jadelamp/animation.h", complaint)) {
        return false;
    }
    FILE *body = files.body.stream;
    fprintf(files.header.stream,
            "/*\n * %d pictures of %d x %d pixels, %s, as %d rectangles: %zu bytes of pixels, %d "
            "of places;\n * all of them whole would be %zu.\n */\nextern const struct jl_animation "
            "%s;\n",
            animation->step_count, animation->width, animation->height,
            jl_bake_format_name(baked->format), baked->part_count, baked->pixel_bytes,
            baked->part_count * JL_ANIMATION_PART_BYTES, baked->plain_bytes, name);
    fprintf(body, "#include <stddef.h>\n\n");
    write_data(body, baked);
    fprintf(body, "\nstatic const struct jl_animation_part parts[%d] = {\n", baked->part_count);
    for (int i = 0; i < baked->part_count; i++) {
        write_part(body, &baked->parts[i], i);
    }
    fprintf(body, "};\n\nstatic const struct jl_animation_step steps[%d] = {\n",
            animation->step_count);
    for (int i = 0; i < animation->step_count; i++) {
        write_step(body, &baked->steps[i], baked->parts, "    ", ",\n");
    }
    fprintf(body,
            "};\n\nconst struct jl_animation %s = {\n    .width = %d,\n    .height = %d,\n"
            "    .step_count = %d,\n    .steps = steps,\n",
            name, animation->width, animation->height, animation->step_count);
    write_step(body, &animation->again, baked->parts, "    .again = ", ",\n};\n");
    return jl_host_c_files_commit(&files, complaint);
}

/* ---- the wire ---- */

/* Draws what is due and presents it. */
static jl_status show_next(struct jl_rig *rig, struct jl_player *player, uint32_t *now) {
    *now += jl_player_left(player, *now);
    jl_player_poll(player, &rig->frame.target, 0, 0, *now);
    return jl_panel_present(&rig->panel, &rig->frame);
}

/* One round, without the first picture, which is sent whole. */
static jl_status play(struct jl_rig *rig, const struct jl_animation *animation,
                      struct jl_frames_cost *cost) {
    struct jl_player player;
    uint32_t now = 0;
    jl_player_begin(&player, animation, now, false);
    jl_status status = show_next(rig, &player, &now);
    double start_us = jl_rig_now_us(rig);
    uint64_t start_bytes = jl_rig_bus_bytes(rig);
    for (int i = 0; i < animation->step_count && status == JL_OK; i++) {
        status = show_next(rig, &player, &now);
    }
    double us = jl_rig_now_us(rig) - start_us;
    cost->bytes = (double)(jl_rig_bus_bytes(rig) - start_bytes) / animation->step_count;
    cost->per_second = us > 0 ? animation->step_count * 1e6 / us : 0;
    return status;
}

bool jl_baked_frames_cost(const struct jl_baked_frames *baked, const char *card_name,
                          struct jl_frames_cost *cost, struct jl_complaint *complaint) {
    static struct jl_rig rig;
    struct jl_card card;
    if (!jl_card_find(card_name, &card, complaint)) {
        return false;
    }
    if (card.cells.bus) {
        return jl_complain(complaint, "%s: a character module shows no pictures", card.name);
    }
    if (!jl_rig_open(&rig, &card, complaint)) {
        return false;
    }
    jl_status status = jl_panel_wake(&rig.panel);
    if (status == JL_OK) {
        status = play(&rig, &baked->animation, cost);
    }
    jl_rig_close(&rig);
    return status == JL_OK || jl_complain(complaint, "%s did not take the pictures: %s", card.name,
                                          jl_status_text(status));
}
