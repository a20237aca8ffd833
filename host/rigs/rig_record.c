/* All wires of a rig's board, into a file. */
#include <errno.h>

#include "jadelamp/host/rig.h"

void jl_rig_record(struct jl_rig *rig, struct jl_file *file) {
    /* What was refused at the begin is told at the end. */
    (void)jl_board_record(rig->board, jl_file_write, file);
}

void jl_rig_record_end(struct jl_rig *rig, struct jl_file *file) {
    if (!jl_board_record_end(rig->board)) {
        errno = ENOMEM; /* unless the file failed first */
        jl_file_fail(file);
    }
}
