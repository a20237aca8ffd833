/* The board and its clock. */
#include "board_parts.h"

#include <stdlib.h>

struct jl_board *jl_board_create(uint64_t noise_seed) {
    struct jl_board *board = calloc(1, sizeof *board);
    if (board) {
        board->noise_seed = noise_seed;
    }
    return board;
}

void jl_board_destroy(struct jl_board *board) {
    if (!board) {
        return;
    }
    for (size_t i = 0; i < board->device_count; i++) {
        free(board->devices[i]->state);
        free(board->devices[i]->fixed);
        free(board->devices[i]->at_power_on);
        free(board->devices[i]);
    }
    for (size_t i = 0; i < board->i2c_count; i++) {
        free(board->i2c[i]);
    }
    for (size_t i = 0; i < board->timed_count; i++) {
        board->timed[i]->ops->release(board->timed[i]);
    }
    free(board->recorder.waiting);
    free(board);
}

uint64_t jl_board_now_ps(const struct jl_board *board) {
    return board->now_ps;
}

void jl_board_wait_ps(struct jl_board *board, uint64_t picoseconds) {
    jl_sim_board_advance(board, board->now_ps + picoseconds);
}

bool jl_board_go_to_ps(struct jl_board *board, uint64_t at_ps) {
    if (at_ps < board->now_ps) {
        return false;
    }
    jl_sim_board_advance(board, at_ps);
    return true;
}

/* Of transfers and scans the one whose next piece is through first, until then; NULL: none. */
static struct timed *next_piece(struct jl_board *board, uint64_t until_ps) {
    struct timed *first = NULL;
    for (size_t i = 0; i < board->timed_count; i++) {
        struct timed *timed = board->timed[i];
        if (timed->in_flight && timed->ops->next_ps(timed) <= until_ps &&
            (!first || timed->ops->next_ps(timed) < first->ops->next_ps(first))) {
            first = timed;
        }
    }
    return first;
}

/* Outputs of devices only matter to a recording here; firmware asks for their level. */
static void record_outputs(struct jl_board *board, uint64_t until_ps) {
    for (size_t i = 0; i < board->device_count; i++) {
        struct jl_device *device = board->devices[i];
        const struct machine *machine = device->machine;
        for (int pin = 0; pin < DEVICE_PINS && !device->unplugged; pin++) {
            if (!(machine->outputs >> pin & 1) || device->faults.held >> pin & 1) {
                continue;
            }
            uint64_t at = board->now_ps;
            jl_sim_wire_set(board, device->pin_wires[pin],
                            machine->output(device, (enum jl_device_pin)pin, at), at);
            while ((at = machine->output_change(device, (enum jl_device_pin)pin, at)) <= until_ps) {
                jl_sim_wire_set(board, device->pin_wires[pin],
                                machine->output(device, (enum jl_device_pin)pin, at), at);
            }
        }
    }
}

static void advance(struct jl_board *board, uint64_t until_ps) {
    struct timed *timed;
    if (jl_sim_board_records(board)) {
        record_outputs(board, until_ps);
    }
    while ((timed = next_piece(board, until_ps)) != NULL) {
        uint64_t through = timed->ops->next_ps(timed);
        timed->ops->deliver_until(timed, through);
        board->now_ps = through > board->now_ps ? through : board->now_ps;
    }
    for (size_t i = 0; i < board->timed_count; i++) {
        if (board->timed[i]->in_flight) {
            board->timed[i]->ops->deliver_until(board->timed[i], until_ps);
        }
    }
    board->now_ps = until_ps;
    if (jl_sim_board_records(board)) {
        /* Bytes that are on the wire now are told when they are through. */
        uint64_t known_ps = until_ps;
        for (size_t i = 0; i < board->timed_count; i++) {
            struct timed *flight = board->timed[i];
            uint64_t begun_ps = flight->in_flight ? flight->ops->begun_ps(flight) : until_ps;
            known_ps = begun_ps < known_ps ? begun_ps : known_ps;
        }
        jl_sim_recorder_write_until(board, known_ps);
    }
}

static void advance_to(struct jl_board *board, uint64_t until_ps) {
    if (board->brown_out && board->brown_out_ps <= until_ps) {
        advance(board, board->brown_out_ps);
        board->brown_out(board);
    }
    advance(board, until_ps);
}

void jl_board_on_time(struct jl_board *board, jl_time_fn fn, void *context) {
    board->on_time = fn;
    board->time_context = context;
    board->call_ps = board->now_ps;
}

void jl_sim_board_advance(struct jl_board *board, uint64_t until_ps) {
    while (board->on_time && board->call_ps <= until_ps) {
        uint64_t at_ps = board->call_ps > board->now_ps ? board->call_ps : board->now_ps;
        advance_to(board, at_ps);
        uint64_t next_ps = board->on_time(board->time_context, at_ps);
        board->call_ps = next_ps > at_ps ? next_ps : at_ps + 1;
    }
    advance_to(board, until_ps);
}
