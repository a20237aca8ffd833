/* Names of wires. */
#include <stdlib.h>
#include <string.h>

#include "capture_reader.h"

bool jl_host_capture_name(struct jl_capture *capture, int wire, const char *name,
                          struct jl_complaint *complaint) {
    struct capture_source *source = &capture->source;
    if (capture->name_count == MOST_NAMES) {
        return jl_complain_at(complaint, source->path, source->line,
                              "more than %d names of wires: leave those out that are not the "
                              "panel's",
                              MOST_NAMES);
    }
    if (capture->name_count == capture->name_room) {
        size_t room = capture->name_room ? 2 * capture->name_room : 32;
        struct jl_capture_name *names = realloc(capture->names, room * sizeof *names);
        if (!names) {
            return jl_complain(complaint, "%s: out of memory", source->path);
        }
        capture->names = names;
        capture->name_room = room;
    }
    struct jl_capture_name *slot = &capture->names[capture->name_count];
    slot->wire = wire;
    slot->name = strdup(name);
    if (!slot->name) {
        return jl_complain(complaint, "%s: out of memory", source->path);
    }
    capture->name_count++;
    return true;
}
