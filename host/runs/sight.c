/* Recording, looking and telling: what runs on rigs have in common. */
#include "jadelamp/host/sight.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/findings.h"

/* The text on a character module; NULL: no memory. */
static char *text_of(struct jl_device *device) {
    size_t size = jl_cells_text(device, NULL, 0) + 1;
    char *text = malloc(size);
    if (text) {
        jl_cells_text(device, text, size);
    }
    return text;
}

static bool name_files(struct jl_sight *sight, const struct jl_sight_request *request,
                       struct jl_complaint *complaint) {
    const char *directory = request->directory, *base = request->base;
    size_t size = JL_SIGHT_PATH_BYTES;
    return jl_path_join(sight->glass_path, size, directory, base, "-glass.png", complaint) &&
           jl_path_join(sight->photo_path, size, directory, base, "-photo.png", complaint) &&
           (request->no_wires ||
            jl_path_join(sight->capture_path, size, directory, base, ".vcd", complaint));
}

static bool take_look(struct jl_rig *rig, const struct jl_sight_request *request,
                      struct jl_sight *sight, struct jl_complaint *complaint) {
    const char *base = request->base;
    if (!jl_rig_photograph(rig, request->directory, base, request->scale, complaint)) {
        return false;
    }
    sight->why_dark = jl_device_why_dark(rig->device);
    if (rig->card.cells.bus && !(sight->cells_text = text_of(rig->device))) {
        return jl_complain(complaint, "out of memory for the text of %s", base);
    }
    return jl_rig_look(rig, &sight->glass) ||
           jl_complain(complaint, "out of memory for the picture of %s", base);
}

bool jl_sight_of(struct jl_rig *rig, const struct jl_sight_request *request, jl_sight_fn run,
                 void *context, struct jl_sight *sight, struct jl_complaint *complaint) {
    struct jl_file capture = {0};
    bool records = !request->no_wires;
    memset(sight, 0, sizeof *sight);
    if (!jl_directory_make(request->directory, complaint) ||
        !name_files(sight, request, complaint) ||
        (records && !jl_file_begin(&capture, sight->capture_path, complaint))) {
        return false;
    }
    if (records) {
        jl_rig_record(rig, &capture);
    }
    run(context);
    if (records) {
        jl_rig_record_end(rig, &capture);
    }
    return (!records || jl_file_commit(&capture, complaint)) &&
           take_look(rig, request, sight, complaint);
}

bool jl_sight_after(struct jl_rig *rig, const struct jl_sight_request *request,
                    struct jl_sight *sight, struct jl_complaint *complaint) {
    memset(sight, 0, sizeof *sight);
    return jl_directory_make(request->directory, complaint) &&
           name_files(sight, request, complaint) && take_look(rig, request, sight, complaint);
}

void jl_sight_free(struct jl_sight *sight) {
    jl_picture_free(&sight->glass);
    free(sight->cells_text);
    sight->cells_text = NULL;
}

static void print_lines(FILE *out, const char *text) {
    while (*text) {
        int length = (int)strcspn(text, "\n");
        fprintf(out, "  %.*s\n", length, text);
        text += length + (text[length] == '\n');
    }
}

void jl_sight_print(FILE *out, const struct jl_rig *rig, const struct jl_sight *sight) {
    bool paper = jl_glass_is_paper(jl_device_glass(rig->device));
    if (sight->why_dark) {
        fprintf(out, "  %s: %s\n", paper ? "not shown" : "dark", sight->why_dark);
    } else if (paper) {
        fprintf(out, "  the glass shows the picture\n");
    } else {
        fprintf(out, "  lit, brightness %d of 255\n", jl_device_brightness(rig->device));
    }
    if (sight->cells_text) {
        print_lines(out, sight->cells_text);
    }
    jl_findings_print(out, rig->board, sight->offset_ps);
    if (!*sight->glass_path) {
        return;
    }
    fprintf(out, "  wrote %s, the glass pixel by pixel\n", sight->glass_path);
    fprintf(out, "        %s, as it looks\n", sight->photo_path);
    if (*sight->capture_path) {
        fprintf(out, "        %s, all wires\n", sight->capture_path);
    }
    if (*sight->film_path) {
        fprintf(out, "        %s, while it changes\n", sight->film_path);
    }
    if (*sight->pages_path) {
        fprintf(out, "        %s, all pages\n", sight->pages_path);
    }
}

bool jl_sight_has_findings(const struct jl_rig *rig, const struct jl_sight *sight) {
    return sight->why_dark || jl_findings_count(rig->board);
}
