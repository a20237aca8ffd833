/* A test stand: from a card to a board, what it counts, and how it ends. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "stand_parts.h"

#define LOOK_PS 500000u /* at a pin */

void jl_host_stand_wait(struct jl_stand *stand, uint64_t ps) {
    stand->waited_ps += ps;
    jl_board_wait_ps(stand->rig.board, ps);
}

void jl_host_stand_fail(struct jl_stand *stand, const char *file, int line) {
    stand->failed++;
    if (file) {
        fprintf(stderr, "%s:%d: ", file, line);
    }
    fprintf(stderr, "%s: ", stand->name);
}

/* ---- the port of this library ---- */

/* The rig's port has its sim as context; so has this one. */
static struct jl_stand *stand_of(void *context) {
    return (struct jl_stand *)((char *)context - offsetof(struct jl_stand, rig.sim));
}

static void wait_us(void *context, uint32_t microseconds) {
    jl_host_stand_wait(stand_of(context), microseconds * (uint64_t)1000000);
}

static bool get_pin(void *context, enum jl_pin pin) {
    struct jl_stand *stand = stand_of(context);
    jl_host_stand_wait(stand, LOOK_PS);
    return stand->rig.port.ops->get_pin(context, pin);
}

const struct jl_port *jl_stand_port(struct jl_stand *stand) {
    return stand ? &stand->port : NULL;
}

struct jl_rig *jl_stand_rig(struct jl_stand *stand) {
    return stand ? &stand->rig : NULL;
}

/* ---- open and close ---- */

static bool open_stand(struct jl_stand *stand, const char *card_name,
                       struct jl_complaint *complaint) {
    struct jl_card *card = malloc(sizeof *card);
    char path[1024];
    bool good = card ? jl_card_find(card_name, card, complaint)
                     : jl_complain(complaint, "out of memory for the card");
    good = good && jl_rig_open(&stand->rig, card, complaint);
    free(card);
    if (good && !(jl_path_join(path, sizeof path, ".", stand->name, ".vcd", complaint) &&
                  jl_file_begin(&stand->capture, path, complaint))) {
        jl_rig_close(&stand->rig);
        good = false;
    }
    return good;
}

struct jl_stand *jl_stand_open(const char *card, const char *name) {
    struct jl_stand *stand = calloc(1, sizeof *stand);
    struct jl_complaint complaint = {"out of memory"};
    if (stand) {
        snprintf(stand->name, sizeof stand->name, "%s", name);
    }
    if (!stand || !open_stand(stand, card, &complaint)) {
        fprintf(stderr, "%s: %s\n", name, complaint.text);
        free(stand);
        return NULL;
    }
    stand->ops = *stand->rig.port.ops;
    stand->ops.wait_us = wait_us;
    stand->ops.get_pin = get_pin;
    stand->port = stand->rig.port;
    stand->port.ops = &stand->ops;
    jl_rig_record(&stand->rig, &stand->capture);
    return stand;
}

int jl_stand_close(struct jl_stand *stand) {
    struct jl_complaint complaint = {""};
    if (!stand) {
        return 2;
    }
    jl_rig_record_end(&stand->rig, &stand->capture);
    bool none = stand->expected == 0;
    if (stand->failed || none) {
        fprintf(stderr, "%s: %d expectation%s, %d not met%s\n", stand->name, stand->expected,
                stand->expected == 1 ? "" : "s", stand->failed,
                none ? ": a test that expects nothing cannot fail" : "");
        if (!jl_file_commit(&stand->capture, &complaint)) {
            fprintf(stderr, "%s: %s\n", stand->name, complaint.text);
            stand->unwritten = true;
        } else {
            fprintf(stderr, "  all wires: %s\n", stand->capture.path);
        }
    } else {
        printf("%s: %d expectation%s met\n", stand->name, stand->expected,
               stand->expected == 1 ? "" : "s");
    }
    jl_file_abandon(&stand->capture);
    int status = stand->unwritten ? 2 : stand->failed || none ? 1 : 0;
    jl_rig_close(&stand->rig);
    free(stand);
    return status;
}

void jl_stand_fault(struct jl_stand *stand, const char *text) {
    struct jl_fault fault;
    struct jl_complaint complaint = {""};
    if (stand && (!jl_fault_read(text, &fault, &complaint) ||
                  !jl_fault_inject(&fault, 1, &stand->rig, UINT64_MAX, &complaint))) {
        jl_host_stand_fail(stand, NULL, 0);
        fprintf(stderr, "%s\n", complaint.text);
    }
}

/* ---- what it cost ---- */

void jl_stand_mark(struct jl_stand *stand) {
    if (stand) {
        stand->marked_ps = jl_board_now_ps(stand->rig.board);
        stand->waited_ps = 0;
        stand->marked_bytes = jl_rig_bus_bytes(&stand->rig);
    }
}

uint64_t jl_stand_bytes(const struct jl_stand *stand) {
    return stand ? jl_rig_bus_bytes(&stand->rig) - stand->marked_bytes : 0;
}

double jl_stand_wire_us(const struct jl_stand *stand) {
    uint64_t ps =
        stand ? jl_board_now_ps(stand->rig.board) - stand->marked_ps - stand->waited_ps : 0;
    return (double)ps / 1e6;
}

/* ---- pins and delays of a driver of one's own ---- */

void jl_stand_drive(struct jl_stand *stand, enum jl_device_pin pin, bool high) {
    if (stand) {
        jl_device_set_pin(stand->rig.device, pin, high);
    }
}

bool jl_stand_level(struct jl_stand *stand, enum jl_device_pin pin) {
    if (!stand) {
        return false;
    }
    jl_host_stand_wait(stand, LOOK_PS);
    return jl_device_pin(stand->rig.device, pin);
}

void jl_stand_wait_us(struct jl_stand *stand, uint32_t microseconds) {
    if (stand) {
        jl_host_stand_wait(stand, microseconds * (uint64_t)1000000);
    }
}
