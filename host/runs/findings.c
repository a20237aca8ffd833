/* Diagnostics as text. */
#include "jadelamp/host/findings.h"

/* Lines of findings that a person reads. */
enum { MOST_TOLD = 20 };

double jl_findings_ms(uint64_t board_ps, uint64_t offset_ps) {
    return board_ps > offset_ps ? (double)(board_ps - offset_ps) / 1e9 : 0;
}

void jl_findings_print(FILE *out, const struct jl_board *board, uint64_t offset_ps) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(board, &list);
    for (size_t i = 0; i < count && i < MOST_TOLD; i++) {
        fprintf(out, "  %9.3f ms %s: %s", jl_findings_ms(list[i].at_ps, offset_ps),
                jl_severity_name(list[i].severity), list[i].text);
        if (list[i].count > 1) {
            fprintf(out, " (%u times, the last at %.3f ms)", (unsigned)list[i].count,
                    jl_findings_ms(list[i].last_ps, offset_ps));
        }
        fputc('\n', out);
    }
    if (count > MOST_TOLD) {
        fprintf(out, "  of %zu findings in all\n", count);
    }
}

size_t jl_findings_count(const struct jl_board *board) {
    const struct jl_diagnostic *list;
    size_t found = 0;
    for (size_t i = jl_board_diagnostics(board, &list); i > 0; i--) {
        found += list[i - 1].severity != JL_SEVERITY_NOTE;
    }
    return found;
}
