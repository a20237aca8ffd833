/* What a bus saw, sent once more through a tap of the library whose port goes nowhere. */
#include "tell_tap.h"

#include <signal.h>
#include <stdio.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <time.h>
#include <unistd.h>

#include "cli.h"

static double real_s(void) {
    struct timespec now;
    clock_gettime(CLOCK_MONOTONIC, &now);
    return (double)now.tv_sec + (double)now.tv_nsec / 1e9;
}

/* ---- the port ---- */

static jl_status send_nowhere(void *context, const struct jl_transfer *transfer) {
    (void)context, (void)transfer;
    return JL_OK;
}

static void do_not_wait(void *context, uint32_t microseconds) {
    (void)context, (void)microseconds;
}

static void move_nothing(void *context, enum jl_pin pin, bool high) {
    (void)context, (void)pin, (void)high;
}

static uint32_t time_of_bytes(void *context) {
    const struct tell_tap *tell = context;
    return (uint32_t)(tell->at_ps / 1000000);
}

static const struct jl_port_ops nowhere = {
    .send = send_nowhere, .wait_us = do_not_wait, .set_pin = move_nothing, .now_us = time_of_bytes};

static void write_bytes(void *context, const uint8_t *bytes, size_t count) {
    struct tell_tap *tell = context;
    for (size_t done = 0; done < count && !tell->closed;) {
        ssize_t written = write(tell->file, bytes + done, count - done);
        tell->closed = written <= 0;
        done += written > 0 ? (size_t)written : 0;
    }
}

bool tell_tap_window(struct tell_tap *tell, const char *card, bool hands) {
    static const char *words[] = {"window", NULL, "--from", "-", NULL, NULL};
    int ends[2];
    words[1] = card;
    words[4] = hands ? "--tell-hands" : NULL;
    pid_t process = socketpair(AF_UNIX, SOCK_STREAM, 0, ends) == 0 ? fork() : -1;
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
    *tell = (struct tell_tap){.file = ends[1],
                              .window = process,
                              .begun_s = real_s(),
                              .hands.fingers = {{-1, -1}, {-1, -1}}};
    tell->nowhere = (struct jl_port){.ops = &nowhere, .context = tell};
    jl_tap_begin(&tell->tap, &tell->tapped, &tell->nowhere, write_bytes, tell);
    return true;
}

/* ---- what the bus saw ---- */

/* An I2C transfer whole, or bytes of one level of D/C. */
static void flush(struct tell_tap *tell) {
    const struct jl_port *to = &tell->tapped;
    if (tell->open) {
        const struct jl_transfer transfer = {.body = tell->bytes,
                                             .body_bytes = tell->count,
                                             .i2c_address = tell->is_i2c ? tell->address : 0};
        to->ops->set_pin(to->context, JL_PIN_DC, tell->data);
        (void)to->ops->send(to->context, &transfer);
    }
    tell->open = false;
    tell->count = 0;
}

static void begin(struct tell_tap *tell, const struct jl_bus_event *event) {
    flush(tell);
    tell->open = true;
    tell->at_ps = event->at_ps;
    tell->data = event->data;
}

static void take_byte(struct tell_tap *tell, const struct jl_bus_event *event) {
    if (event->address) {
        begin(tell, event);
        tell->is_i2c = true;
        tell->address = (uint8_t)(event->value >> 1);
        return;
    }
    if (!tell->is_i2c && (!tell->open || tell->data != event->data || tell->count == TELL_MOST)) {
        begin(tell, event);
    }
    if (tell->count < TELL_MOST) { /* no panel on I2C has a longer transfer */
        tell->bytes[tell->count++] = (uint8_t)event->value;
    }
}

void tell_tap_event(struct tell_tap *tell, const struct jl_bus_event *event) {
    if (!tell->file) {
        return;
    }
    if (event->kind == JL_BUS_BYTE) {
        take_byte(tell, event);
    } else if (event->kind == JL_BUS_STOP) {
        flush(tell);
    } else if (event->kind == JL_BUS_RESET) {
        flush(tell);
        tell->at_ps = event->at_ps;
        tell->tapped.ops->set_pin(tell->tapped.context, JL_PIN_RESET, event->high);
    }
}

void tell_tap_pace(struct tell_tap *tell, uint64_t now_ps) {
    if (!tell->file) {
        return;
    }
    if (tell->window && waitpid(tell->window, NULL, WNOHANG) == tell->window) {
        tell->window = 0;
        tell->closed = true;
        return;
    }
    double ahead_s = tell->begun_s + (double)now_ps / 1e12 - real_s();
    if (ahead_s > 0.005) {
        if (!tell->is_i2c) { /* a transfer on I2C is told whole */
            flush(tell);
        }
        struct timespec time = {.tv_sec = (time_t)ahead_s,
                                .tv_nsec = (long)((ahead_s - (double)(time_t)ahead_s) * 1e9)};
        nanosleep(&time, NULL);
    }
}

/* ---- what its hands do ---- */

static bool take_line(struct tell_tap *tell) {
    struct tap_hands now;
    unsigned keys;
    bool good =
        sscanf(tell->line, "hands %9u %9d %9d %9d %9d %9d", &keys, &now.quarters,
               &now.fingers[0][0], &now.fingers[0][1], &now.fingers[1][0], &now.fingers[1][1]) == 6;
    now.keys = (uint8_t)keys;
    tell->hands = good ? now : tell->hands;
    return good;
}

bool tell_tap_hands(struct tell_tap *tell) {
    bool moved = false;
    char byte;
    while (tell->file && !moved && recv(tell->file, &byte, 1, MSG_DONTWAIT) == 1) {
        if (byte == '\n') {
            tell->line[tell->line_bytes] = '\0';
            tell->line_bytes = 0;
            moved = take_line(tell);
        } else if (tell->line_bytes + 1 < sizeof tell->line) {
            tell->line[tell->line_bytes++] = byte;
        }
    }
    return moved;
}

void tell_tap_end(struct tell_tap *tell) {
    if (tell->file) {
        flush(tell);
        close(tell->file);
        tell->file = 0;
        if (tell->window) { /* until it is closed */
            waitpid(tell->window, NULL, 0);
        }
    }
}
