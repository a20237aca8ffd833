/* The loop: an instruction, then what pins and peripherals did meanwhile. */
#include "firmware_run.h"

#include <simavr/avr_eeprom.h>
#include <simavr/avr_uart.h>
#include <simavr/sim_core.h>
#include <stdarg.h>
#include <stdlib.h>
#include <string.h>

#define PAUSE_PS 1000000000u

enum { LOOK_CYCLES = 1000, SPL = 0x5D, SPH = 0x5E, JUMP_TO_ITSELF = 0xCFFF };

struct running {
    struct tell_tap *tap; /* or NULL */
    struct machine machine;
    struct firmware_result *result;
};

/* What the simulator says of itself is for its makers. */
static void say_nothing(avr_t *avr, const int level, const char *format, va_list arguments) {
    (void)avr, (void)level, (void)format, (void)arguments;
}

static void do_not_sleep(avr_t *avr, avr_cycle_count_t cycles) {
    (void)avr, (void)cycles;
}

/* ---- bursts ---- */

static void count_event(void *context, const struct jl_bus_event *event) {
    struct running *running = context;
    struct firmware_result *result = running->result;
    if (running->tap) {
        tell_tap_event(running->tap, event);
    }
    if (event->kind != JL_BUS_BYTE && event->kind != JL_BUS_READ) {
        return;
    }
    if (!result->bytes || event->at_ps > result->last_byte_ps + PAUSE_PS) {
        result->burst_count++;
        if (result->burst_count <= MOST_BURSTS) {
            result->bursts[result->burst_count - 1] = (struct burst){.from_ps = event->at_ps};
        }
    }
    result->bytes++;
    result->last_byte_ps = event->until_ps;
    if (result->burst_count <= MOST_BURSTS) {
        struct burst *burst = &result->bursts[result->burst_count - 1];
        burst->bytes++;
        burst->until_ps = event->until_ps;
        burst->busy_ps += event->until_ps - event->at_ps;
    }
}

/* ---- the core ---- */

/*
 * The simulator tells of addresses that the part lacks, and uses them all the same: so its memories
 * are as large as addresses can be. Flash that the part lacks reads as erased.
 */
static bool enlarge(avr_t *avr) {
    enum { DATA = 1 << 16, FLASH = (1 << 24) + (1 << 16) };
    uint8_t *data = realloc(avr->data, DATA);
    if (!data) {
        return false;
    }
    avr->data = data;
    uint8_t *flash = realloc(avr->flash, FLASH);
    if (!flash) {
        return false;
    }
    avr->flash = flash;
    memset(avr->data + avr->ramend + 1, 0, DATA - (avr->ramend + 1u));
    memset(avr->flash, 0xFF, FLASH);
    return true;
}

static bool load(struct machine *machine, const struct firmware_request *request,
                 struct jl_complaint *complaint) {
    const struct firmware *firmware = request->firmware;
    const struct part *part = request->part;
    if (firmware->flash_bytes > part->flash_bytes) {
        return jl_complain(complaint, "the firmware has %u bytes, the %s %u of flash",
                           (unsigned)firmware->flash_bytes, part->name,
                           (unsigned)part->flash_bytes);
    }
    if (firmware->eeprom_bytes > part->eeprom_bytes) {
        return jl_complain(complaint, "the firmware has %u bytes for the EEPROM, the %s has %u",
                           (unsigned)firmware->eeprom_bytes, part->name,
                           (unsigned)part->eeprom_bytes);
    }
    machine->avr = avr_make_mcu_by_name(part->name);
    if (!machine->avr) {
        return jl_complain(complaint, "the simulator does not know the %s", part->name);
    }
    avr_t *avr = machine->avr;
    avr_init(avr);
    if (!enlarge(avr)) {
        return jl_complain(complaint, "out of memory for the processor");
    }
    avr->frequency = request->frequency;
    avr->sleep = do_not_sleep;
    avr->log = LOG_NONE;
    avr_loadcode(avr, (uint8_t *)(uintptr_t)firmware->flash, firmware->flash_bytes, 0);
    avr->codeend = firmware->flash_bytes;
    avr_eeprom_desc_t eeprom = {.ee = (uint8_t *)(uintptr_t)firmware->eeprom,
                                .size = part->eeprom_bytes};
    avr_ioctl(avr, AVR_IOCTL_EEPROM_SET, &eeprom);
    uint32_t flags = 0; /* no echo of what it writes on its serial line */
    avr_ioctl(avr, AVR_IOCTL_UART_SET_FLAGS('0'), &flags);
    return true;
}

static void watch_core(struct machine *machine, struct firmware_result *result, uint64_t limit) {
    const uint8_t *data = machine->avr->data;
    uint16_t stack = (uint16_t)(data[SPL] | data[SPH] << 8);
    const struct part *part = machine->part;
    machine->stack_set |= stack == part->ram_until - 1; /* by the first lines of the program */
    if (machine->stack_set && stack < machine->lowest_stack) {
        machine->lowest_stack = stack > part->ram_from ? stack : part->ram_from;
        machine->deepest_pc = machine->avr->pc;
        if (stack < part->ram_from + machine->firmware->data_bytes) {
            machine_say(machine, "the stack grew into the data: what lies there is overwritten");
        }
    }
    if (limit - machine->avr->cycle < machine->frequency / 10) {
        uint32_t pc = machine->avr->pc;
        result->pc_low = pc < result->pc_low ? pc : result->pc_low;
        result->pc_high = pc > result->pc_high ? pc : result->pc_high;
    }
}

/* The end of main() is a jump to itself without interrupts. */
static bool is_halted(const avr_t *avr, avr_flashaddr_t before) {
    return avr->pc == before && !avr->sreg[S_I] &&
           (avr->flash[before] | avr->flash[before + 1] << 8) == JUMP_TO_ITSELF;
}

/* Those in the window. */
static void follow_hands(struct running *running) {
    struct machine *machine = &running->machine;
    while (tell_tap_hands(running->tap)) {
        const struct tap_hands *hands = &running->tap->hands;
        machine->worked.keys = hands->keys;
        machine->worked.wanted = hands->quarters;
        for (int i = 0; i < 2; i++) {
            jl_live_finger(machine->live, machine_ps(machine, machine->avr->cycle), i,
                           hands->fingers[i][0], hands->fingers[i][1]);
        }
    }
}

static void run(struct running *running, uint64_t limit) {
    struct machine *machine = &running->machine;
    avr_t *avr = machine->avr;
    uint64_t look = 0;
    int state = cpu_Running;
    running->result->pc_low = UINT32_MAX;
    while (avr->cycle < limit) {
        avr_flashaddr_t before = avr->pc;
        state = avr_run(avr);
        machine_catch_up(machine, avr->cycle < limit ? avr->cycle : limit);
        watch_core(machine, running->result, limit > avr->cycle ? limit : avr->cycle);
        if (state == cpu_Done || state == cpu_Crashed || is_halted(avr, before)) {
            break;
        }
        if (avr->cycle >= look) {
            pins_look_at_inputs(machine);
            if (running->tap) {
                jl_live_reach(machine->live, machine_ps(machine, avr->cycle));
                tell_tap_pace(running->tap, machine_ps(machine, avr->cycle));
                if (running->tap->closed) {
                    break;
                }
                follow_hands(running);
            }
            look = avr->cycle + LOOK_CYCLES;
        }
    }
    bool closed = running->tap && running->tap->closed;
    limit = closed ? avr->cycle : limit;
    bool timed = avr->cycle >= limit;
    running->result->end = state == cpu_Crashed ? ENDED_CRASH
                           : timed              ? ENDED_TIME
                           : state == cpu_Done  ? ENDED_SLEEP
                                                : ENDED_HALT;
    /* What was under way goes out; who crashed is stopped at once. */
    uint64_t end = timed ? limit : avr->cycle + machine->frequency / 1000;
    machine_catch_up(machine, end);
    running->result->cycles = timed ? limit : avr->cycle;
    running->result->pc = avr->pc;
    jl_live_end(machine->live, machine_ps(machine, end));
}

/* ---- all of it ---- */

static bool begin_capture(struct machine *machine, const char *path, const struct jl_card *card,
                          struct jl_complaint *complaint) {
    const char *names[JL_ROLES];
    size_t count = 0;
    for (int role = 0; role < JL_ROLES; role++) {
        if (machine->wires[role].used) {
            machine->wires[role].index = count;
            names[count++] = jl_role_name((enum jl_role)role);
        }
    }
    return jl_capture_write_begin(machine->writer, path, card->controller->name, names, count,
                                  complaint);
}

/* In front of the panel's wires: their names, where nobody ever drove them. */
static void name_undriven(const struct machine *machine, struct firmware_result *result) {
    size_t length = 0;
    for (int role = 0; role < JL_ROLES; role++) {
        const struct wire *wire = &machine->wires[role];
        if (wire->used && !wire->told && role != JL_ROLE_MISO &&
            length + 20 < sizeof result->undriven) {
            length +=
                (size_t)snprintf(result->undriven + length, sizeof result->undriven - length,
                                 "%s%s (P%c%d)", length ? ", " : "",
                                 jl_role_name((enum jl_role)role), wire->pin.port, wire->pin.bit);
        }
    }
}

static jl_role_set used_roles(const struct machine *machine) {
    jl_role_set roles = 0;
    for (int role = 0; role < JL_ROLES; role++) {
        roles |= machine->wires[role].used ? JL_ROLE_BIT(role) : 0;
    }
    return roles;
}

static bool can_follow(const struct jl_card *card, const struct jl_hand_script *hands,
                       struct jl_complaint *complaint) {
    return !hands || card->touch.controller || jl_card_has_keys(card) || jl_card_has_knob(card) ||
           jl_complain(complaint,
                       "the card %s has no [touch], and no key_ok or knob_a in [pins], for the "
                       "hands",
                       card->name);
}

static bool run_and_look(struct running *running, const struct jl_card *card,
                         const struct firmware_request *request, struct jl_complaint *complaint) {
    struct machine *machine = &running->machine;
    struct firmware_result *result = running->result;
    const struct jl_sight_request *look = &request->look;
    struct jl_capture_writer writer = {.stamp = 0};
    char path[JL_SIGHT_PATH_BYTES];
    if (!jl_directory_make(look->directory, complaint) ||
        !jl_path_join(path, sizeof path, look->directory, look->base, ".vcd", complaint)) {
        return false;
    }
    machine->writer = look->no_wires ? NULL : &writer;
    if (machine->writer && !begin_capture(machine, path, card, complaint)) {
        return false;
    }
    jl_live_on_event(machine->live, count_event, running);
    pins_begin(machine);
    spi_begin(machine);
    twi_begin(machine);
    usi_begin(machine);
    machine->lowest_stack = machine->part->ram_until;
    run(running, (uint64_t)request->seconds * request->frequency);
    result->stack_bytes = machine->part->ram_until - 1u - machine->lowest_stack;
    result->deepest_pc = machine->deepest_pc;
    memcpy(result->said, machine->said, sizeof result->said);
    result->said_count = machine->said_count;
    name_undriven(machine, result);
    if (machine->writer &&
        !jl_capture_write_end(&writer, machine_ps(machine, result->cycles), complaint)) {
        return false;
    }
    bool good = jl_sight_after(jl_live_rig(machine->live), look, &result->sight, complaint);
    result->sight.offset_ps = jl_live_offset_ps(machine->live);
    return good;
}

bool firmware_run(const struct jl_card *card, const struct firmware_request *request,
                  struct firmware_result *result, struct jl_complaint *complaint) {
    struct running running = {.machine = {.part = request->part,
                                          .firmware = request->firmware,
                                          .frequency = request->frequency,
                                          .hands = request->hands,
                                          .pulled_up = card->bus == JL_BUS_I2C},
                              .result = result,
                              .tap = request->tap};
    struct machine *machine = &running.machine;
    memset(result, 0, sizeof *result);
    avr_global_logger_set(say_nothing);
    if (!wiring_read(machine, card, request->wires, complaint) ||
        !(result->live = machine->live = jl_live_open(card, used_roles(machine), complaint))) {
        return false;
    }
    bool good = can_follow(card, request->hands, complaint) &&
                (!request->hands || jl_live_follow(machine->live, request->hands->steps,
                                                   request->hands->step_count, complaint)) &&
                load(machine, request, complaint) &&
                run_and_look(&running, card, request, complaint);
    jl_live_on_event(machine->live, NULL, NULL);
    if (machine->avr) {
        avr_terminate(machine->avr);
    }
    return good;
}

void firmware_close(struct firmware_result *result) {
    jl_sight_free(&result->sight);
    jl_live_close(result->live);
    result->live = NULL;
}
