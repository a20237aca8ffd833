/* What the emulated e-paper parts have alike. */
#include "paper_chip.h"

#include <string.h>

static struct paper_chip *chip_of(const struct jl_device *device) {
    return device->state;
}

/* ---- commands ---- */

/* A command whose last arguments are optional runs when the next one comes. */
static void end_arguments(struct jl_device *device, paper_run_fn run) {
    struct paper_chip *chip = chip_of(device);
    if (chip->argument_count < chip->least) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_ARGUMENT_COUNT,
                             "command %02X got %d of %d argument bytes, and is ignored",
                             chip->command, chip->argument_count, chip->least);
    } else if (chip->argument_count < chip->most) {
        run(device);
    }
    chip->least = chip->most = chip->argument_count = 0;
}

void jl_sim_paper_opcode(struct jl_device *device, uint8_t opcode, paper_run_fn run) {
    struct paper_chip *chip = chip_of(device);
    const struct command *found = jl_sim_take_opcode(device, opcode);
    end_arguments(device, run);
    chip->command = opcode;
    chip->known = found != NULL;
    if (!found) {
        return;
    }
    memset(chip->arguments, 0, sizeof chip->arguments);
    chip->least = found->least;
    chip->most = found->most;
    if (found->most == 0) {
        run(device);
    }
}

void jl_sim_paper_argument(struct jl_device *device, uint8_t byte, paper_run_fn run) {
    struct paper_chip *chip = chip_of(device);
    if (!chip->known) {
        return;
    }
    if (chip->argument_count >= chip->most) {
        if (chip->argument_count++ == chip->most) {
            jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ARGUMENT_COUNT,
                                 "command %02X takes %d argument bytes: more are ignored",
                                 chip->command, chip->most);
        }
        return;
    }
    chip->arguments[chip->argument_count++] = byte;
    if (chip->argument_count == chip->most) {
        run(device);
        chip->least = 0;
    }
}

/* ---- when it hears ---- */

void jl_sim_paper_busy(struct jl_device *device, uint64_t after_us, uint64_t for_us) {
    struct paper_chip *chip = chip_of(device);
    chip->busy_from_ps = jl_board_now_ps(device->board) + after_us * 1000000u;
    chip->busy_until_ps = chip->busy_from_ps + for_us * 1000000u;
}

bool jl_sim_paper_is_busy(const struct jl_device *device, uint64_t at_ps) {
    const struct paper_chip *chip = chip_of(device);
    return at_ps >= chip->busy_from_ps && at_ps < chip->busy_until_ps;
}

uint64_t jl_sim_paper_output_change(struct jl_device *device, enum jl_device_pin pin,
                                    uint64_t after_ps) {
    const struct paper_chip *chip = chip_of(device);
    return pin != JL_DEVICE_BUSY            ? UINT64_MAX
           : after_ps < chip->busy_from_ps  ? chip->busy_from_ps
           : after_ps < chip->busy_until_ps ? chip->busy_until_ps
                                            : UINT64_MAX;
}

bool jl_sim_paper_deaf(struct jl_device *device, const struct paper_words *words, uint8_t byte,
                       bool data) {
    struct paper_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    jl_sim_paper_settle(device, &chip->update);
    if (chip->in_reset) {
        return true;
    }
    if (chip->asleep && !chip->asleep_reported) {
        chip->asleep_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_DEEP_SLEEP,
                             "byte %02X arrives in deep sleep (%s): only a pulse on the reset pin "
                             "wakes it",
                             byte, words->sleep);
    }
    /* From the command on, though the pin may show it a little later. */
    bool busy = now < chip->busy_until_ps;
    if (busy && !chip->asleep && !chip->busy_reported) {
        chip->busy_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BUSY,
                             "%s %02X arrives while it is busy, %llu ms too early: ignored; wait "
                             "%s",
                             data ? "byte" : "command", byte,
                             (unsigned long long)((chip->busy_until_ps - now) / 1000000000u) + 1,
                             words->idle);
    }
    chip->busy_reported = busy;
    if (chip->powered && !busy && !chip->power_reported &&
        now - chip->powered_since_ps > 60000000000000u) {
        chip->power_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_VOLTAGES_ON,
                             "its voltages were on for a minute: switch them off after an update "
                             "(%s), or send it to deep sleep (%s)",
                             words->power, words->sleep);
    }
    return chip->asleep || busy;
}

void jl_sim_paper_reset(struct jl_device *device, bool low, uint32_t least_us) {
    struct paper_chip *chip = chip_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    jl_sim_paper_settle(device, &chip->update);
    jl_sim_paper_stop(device, &chip->update);
    if (!low && jl_sim_too_short(now - chip->reset_edge_ps, (uint64_t)least_us * 1000000u)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                             "reset was low for %llu ns, at least %u us are needed",
                             (unsigned long long)((now - chip->reset_edge_ps) / 1000),
                             (unsigned)least_us);
    }
    chip->reset_edge_ps = now;
    chip->in_reset = low;
    chip->asleep = chip->asleep_reported = chip->powered = false;
    jl_sim_paper_busy(device, 0, low ? 0 : 1000);
}

/* ---- what the board asks ---- */

void jl_sim_paper_power_off(struct jl_device *device) {
    jl_sim_paper_stop(device, &chip_of(device)->update);
}

void jl_sim_paper_picture(struct jl_device *device, struct jl_picture *picture) {
    jl_sim_paper_settle(device, &chip_of(device)->update);
    jl_sim_paper_show(device, &chip_of(device)->update, picture);
}

uint8_t jl_sim_paper_brightness(struct jl_device *device) {
    (void)device;
    return 255;
}

const char *jl_sim_paper_why(const struct jl_device *device, const char *no_update,
                             const char *never) {
    const struct paper_chip *chip = chip_of(device);
    const struct paper_glass *glass = device->fixed;
    return chip->waits_for_update                   ? no_update
           : !glass->shown && !chip->update.running ? never
                                                    : NULL;
}
