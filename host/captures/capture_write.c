/* A value change dump, from levels. */
#include "jadelamp/host/capture_write.h"

#include <inttypes.h>

#define STEP_PS 100

static char identifier(size_t wire) {
    return (char)('!' + (int)wire);
}

bool jl_capture_write_begin(struct jl_capture_writer *writer, const char *path, const char *scope,
                            const char *const *names, size_t count,
                            struct jl_complaint *complaint) {
    *writer = (struct jl_capture_writer){.stamp = 0};
    if (count > JL_CAPTURE_MOST_WIRES) {
        return jl_complain(complaint, "%s: %zu wires, expected up to %d", path, count,
                           JL_CAPTURE_MOST_WIRES);
    }
    if (!jl_file_begin(&writer->file, path, complaint)) {
        return false;
    }
    FILE *out = writer->file.stream;
    fprintf(out, "$timescale %d ps $end\n$scope module %s $end\n", STEP_PS, scope);
    for (size_t i = 0; i < count; i++) {
        fprintf(out, "$var wire 1 %c %s $end\n", identifier(i), names[i]);
    }
    fprintf(out, "$upscope $end\n$enddefinitions $end\n");
    return true;
}

static void stamp(struct jl_capture_writer *writer, uint64_t at_ps) {
    uint64_t now = (at_ps + STEP_PS / 2) / STEP_PS;
    if (!writer->stamped || now != writer->stamp) {
        fprintf(writer->file.stream, "#%" PRIu64 "\n", now);
        writer->stamp = now;
        writer->stamped = true;
    }
}

void jl_capture_write_level(struct jl_capture_writer *writer, uint64_t at_ps, size_t wire,
                            bool high) {
    stamp(writer, at_ps);
    putc(high ? '1' : '0', writer->file.stream);
    putc(identifier(wire), writer->file.stream);
    putc('\n', writer->file.stream);
}

bool jl_capture_write_end(struct jl_capture_writer *writer, uint64_t at_ps,
                          struct jl_complaint *complaint) {
    stamp(writer, at_ps);
    if (ferror(writer->file.stream)) {
        jl_file_fail(&writer->file);
    }
    return jl_file_commit(&writer->file, complaint);
}
