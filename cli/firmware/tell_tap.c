/* Records of docs/tap.md, from what a bus saw. */
#include "tell_tap.h"

#include <signal.h>
#include <string.h>
#include <sys/wait.h>
#include <time.h>
#include <unistd.h>

#include "cli.h"

enum { END = 0xC0, ESCAPE = 0xDB, ESCAPED_END = 0xDC, ESCAPED_ESCAPE = 0xDD };

static double real_s(void) {
    struct timespec now;
    clock_gettime(CLOCK_MONOTONIC, &now);
    return (double)now.tv_sec + (double)now.tv_nsec / 1e9;
}

bool tell_tap_window(struct tell_tap *tap, const char *card) {
    static const char *words[] = {"window", NULL, "--from", "-", NULL};
    int ends[2];
    words[1] = card;
    pid_t process = pipe(ends) == 0 ? fork() : -1;
    if (process < 0) {
        cli_bad("run", "the system has no process to give for the window");
        return false;
    }
    if (process == 0) {
        dup2(ends[0], STDIN_FILENO);
        close(ends[0]);
        close(ends[1]);
        _exit(cli_start_program("window", words));
    }
    close(ends[0]);
    signal(SIGPIPE, SIG_IGN); /* a window that is closed ends the run, and is no error */
    *tap = (struct tell_tap){.file = ends[1], .window = process, .begun_s = real_s()};
    return true;
}

/* ---- records ---- */

static unsigned put(uint8_t *out, unsigned at, uint8_t byte) {
    if (byte == END || byte == ESCAPE) {
        out[at++] = ESCAPE;
        byte = byte == END ? ESCAPED_END : ESCAPED_ESCAPE;
    }
    out[at++] = byte;
    return at;
}

static void flush(struct tell_tap *tap) {
    uint8_t plain[TELL_MOST + 8], framed[2 * sizeof plain + 2];
    uint32_t us = (uint32_t)(tap->at_ps / 1000000);
    unsigned count = 0, at = 0;
    uint16_t check = 0xFFFF;
    if (!tap->kind) {
        return;
    }
    plain[count++] = tap->kind;
    plain[count++] = tap->number++;
    for (int shift = 0; shift < 32; shift += 8) {
        plain[count++] = (uint8_t)(us >> shift);
    }
    memcpy(plain + count, tap->bytes, tap->count);
    count += tap->count;
    for (unsigned i = 0; i < count; i++) {
        check ^= (uint16_t)(plain[i] << 8);
        for (int bit = 0; bit < 8; bit++) {
            check = (uint16_t)(check & 0x8000 ? check << 1 ^ 0x1021 : check << 1);
        }
    }
    plain[count++] = (uint8_t)check;
    plain[count++] = (uint8_t)(check >> 8);
    framed[at++] = END;
    for (unsigned i = 0; i < count; i++) {
        at = put(framed, at, plain[i]);
    }
    framed[at++] = END;
    for (unsigned done = 0; done < at && !tap->closed;) {
        ssize_t written = write(tap->file, framed + done, at - done);
        tap->closed = written <= 0;
        done += written > 0 ? (unsigned)written : 0;
    }
    tap->kind = 0;
    tap->count = 0;
}

static void add(struct tell_tap *tap, uint8_t kind, const struct jl_bus_event *event,
                uint8_t byte) {
    if (tap->kind && (tap->count == TELL_MOST || (tap->kind != kind && kind != 'i'))) {
        flush(tap);
    }
    if (!tap->kind) {
        tap->kind = kind;
        tap->at_ps = event->at_ps;
    }
    tap->bytes[tap->count++] = byte;
}

void tell_tap_event(struct tell_tap *tap, const struct jl_bus_event *event) {
    if (!tap->file) {
        return;
    }
    switch (event->kind) {
    case JL_BUS_BYTE:
        if (event->address) { /* a transfer begins: its address without the read bit */
            flush(tap);
            add(tap, 'I', event, (uint8_t)(event->value >> 1));
            tap->is_i2c = true;
        } else {
            add(tap, tap->is_i2c ? 'i' : event->data ? 'D' : 'C', event, (uint8_t)event->value);
        }
        break;
    case JL_BUS_STOP:
        flush(tap);
        break;
    case JL_BUS_RESET:
        flush(tap);
        add(tap, 'P', event, event->high);
        flush(tap);
        break;
    default:
        break;
    }
}

void tell_tap_pace(struct tell_tap *tap, uint64_t now_ps) {
    if (!tap->file) {
        return;
    }
    if (tap->window && waitpid(tap->window, NULL, WNOHANG) == tap->window) {
        tap->window = 0;
        tap->closed = true;
        return;
    }
    double ahead_s = tap->begun_s + (double)now_ps / 1e12 - real_s();
    if (ahead_s > 0.005) {
        if (!tap->is_i2c) { /* a transfer on I2C is told whole */
            flush(tap);
        }
        struct timespec time = {.tv_sec = (time_t)ahead_s,
                                .tv_nsec = (long)((ahead_s - (double)(time_t)ahead_s) * 1e9)};
        nanosleep(&time, NULL);
    }
}

void tell_tap_end(struct tell_tap *tap) {
    if (tap->file) {
        flush(tap);
        close(tap->file);
        tap->file = 0;
        if (tap->window) { /* until it is closed */
            waitpid(tap->window, NULL, 0);
        }
    }
}
