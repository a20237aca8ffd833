/*
 * The meter before the port of a rig. A program that loops for ever is left by a jump out of
 * whatever call of the port it makes after its time is up; one that calls nothing, by a timer.
 */
#include "run_meter.h"

#include <setjmp.h>
#include <signal.h>
#include <sys/time.h>

/* What a look at the clock or at a running transfer takes; keeps loops around it moving. */
#define LOOK_PS 1000000u

/* Levels of pins without a wait between them: more than any program has a use for. Each is an edge
 * in the recording. */
enum { MOST_LEVELS = 1000000 };

/* One program at a time: the timer's signal has no context. */
static struct {
    sigjmp_buf out;
    volatile sig_atomic_t calls;  /* that let time pass, since the timer looked last */
    volatile sig_atomic_t inside; /* a call is under way: what it holds must not be left */
    volatile sig_atomic_t stuck;  /* leave as the call returns */
} running;

/* Twice in a row without a call: between two looks there is at least the whole patience. */
static void look_at_it(int signal) {
    static volatile sig_atomic_t quiet;
    (void)signal;
    quiet = running.calls ? 0 : quiet + 1;
    running.calls = 0;
    if (quiet > 1 && running.inside) {
        running.stuck = 1;
    } else if (quiet > 1) {
        quiet = 0;
        siglongjmp(running.out, JL_RUN_STUCK);
    }
}

static double now_us(const struct jl_host_meter *meter) {
    return jl_rig_now_us(meter->rig);
}

static const struct jl_port *inner(const struct jl_host_meter *meter) {
    return &meter->inner;
}

/* A call begins, at this time. */
static double enter(const struct jl_host_meter *meter) {
    running.inside = 1;
    return now_us(meter);
}

/* After each call that takes no time. */
static void leave(void) {
    running.inside = 0;
    if (running.stuck) {
        running.stuck = 0;
        siglongjmp(running.out, JL_RUN_STUCK);
    }
}

/* After each call that lets time pass. */
static void leave_when_over(struct jl_host_meter *meter) {
    running.calls = 1;
    running.inside = running.stuck = 0;
    meter->levels = 0;
    if (now_us(meter) > meter->most_us) {
        siglongjmp(running.out, JL_RUN_TIME_UP);
    }
}

static jl_status sent(struct jl_host_meter *meter, double begun_us, jl_status status) {
    meter->wire_us += now_us(meter) - begun_us;
    meter->transfers++;
    if (status != JL_OK && status != JL_BUSY && meter->first_error == JL_OK) {
        meter->first_error = status;
        meter->first_error_us = now_us(meter);
    }
    leave_when_over(meter);
    return status;
}

static jl_status send(void *context, const struct jl_transfer *t) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    bool to_touch = t->i2c_address && t->i2c_address == meter->rig->card.touch.i2c_address;
    meter->other_bus |= !to_touch && (t->i2c_address != 0) != (meter->rig->sim.i2c != NULL);
    jl_status status = inner(meter)->ops->send(inner(meter)->context, t);
    if (status == JL_NO_ANSWER && t->head_bytes + t->body_bytes == 0) {
        (void)sent(meter, begun, JL_OK); /* a scan asks so: nobody there is an answer, too */
        return status;
    }
    return sent(meter, begun, status);
}

static jl_status receive(void *context, const struct jl_transfer *t, uint8_t *bytes, size_t count) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    return sent(meter, begun, inner(meter)->ops->receive(inner(meter)->context, t, bytes, count));
}

static jl_status repeat(void *context, const struct jl_transfer *t, uint32_t times) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    return sent(meter, begun, inner(meter)->ops->repeat(inner(meter)->context, t, times));
}

static jl_status send_nine(void *context, const struct jl_transfer *t, bool data) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    return sent(meter, begun, inner(meter)->ops->send_nine(inner(meter)->context, t, data));
}

static jl_status start(void *context, const struct jl_transfer *t) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    return sent(meter, begun, inner(meter)->ops->start(inner(meter)->context, t));
}

static jl_status poll(void *context) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    jl_status status = inner(meter)->ops->poll(inner(meter)->context);
    meter->waited_us += now_us(meter) - begun;
    leave_when_over(meter);
    return status;
}

static void wait_us(void *context, uint32_t microseconds) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    inner(meter)->ops->wait_us(inner(meter)->context, microseconds);
    meter->waited_us += now_us(meter) - begun;
    leave_when_over(meter);
}

static void look_takes_time(struct jl_host_meter *meter) {
    (void)enter(meter);
    jl_board_wait_ps(meter->rig->board, LOOK_PS);
    meter->waited_us += LOOK_PS / 1e6;
    leave_when_over(meter);
}

static uint32_t clock_us(void *context) {
    struct jl_host_meter *meter = context;
    look_takes_time(meter);
    return inner(meter)->ops->now_us(inner(meter)->context);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct jl_host_meter *meter = context;
    (void)enter(meter);
    inner(meter)->ops->set_pin(inner(meter)->context, pin, high);
    running.stuck |= meter->patience_ms && ++meter->levels > MOST_LEVELS;
    leave();
}

static void set_duty(void *context, enum jl_pin pin, uint16_t duty) {
    struct jl_host_meter *meter = context;
    (void)enter(meter);
    inner(meter)->ops->set_duty(inner(meter)->context, pin, duty);
    leave();
}

/* Loops around a pin, too, must see time pass. */
static bool get_pin(void *context, enum jl_pin pin) {
    struct jl_host_meter *meter = context;
    look_takes_time(meter);
    return inner(meter)->ops->get_pin(inner(meter)->context, pin);
}

/* ---- the display peripheral ---- */

static void show(void *context, const void *pixels) {
    struct jl_host_meter *meter = context;
    (void)enter(meter);
    inner(meter)->ops->scanout->show(inner(meter)->context, pixels);
    leave();
}

static bool is_shown(void *context) {
    struct jl_host_meter *meter = context;
    double begun = enter(meter);
    bool shown = inner(meter)->ops->scanout->is_shown(inner(meter)->context);
    meter->waited_us += now_us(meter) - begun;
    leave_when_over(meter);
    return shown;
}

static void palette(void *context, const jl_color *colors) {
    struct jl_host_meter *meter = context;
    (void)enter(meter);
    inner(meter)->ops->scanout->palette(inner(meter)->context, colors);
    leave();
}

static void scan_lines(void *context, struct jl_scanout_lines *lines) {
    struct jl_host_meter *meter = context;
    (void)enter(meter);
    inner(meter)->ops->scanout->lines(inner(meter)->context, lines);
    leave();
}

static const struct jl_scanout_ops scanout_ops = {
    .show = show, .is_shown = is_shown, .palette = palette, .lines = scan_lines};

static void set_timer(uint32_t period_ms) {
    struct itimerval timer = {.it_interval = {period_ms / 1000, period_ms % 1000 * 1000}};
    timer.it_value = timer.it_interval;
    setitimer(ITIMER_REAL, &timer, NULL);
}

void jl_host_meter_stand(struct jl_host_meter *meter, struct jl_port *port) {
    const struct jl_port_ops *has = port->ops;
    meter->inner = *port;
    meter->ops = (struct jl_port_ops){.send = send,
                                      .wait_us = wait_us,
                                      .set_pin = set_pin,
                                      .get_pin = get_pin,
                                      .receive = receive,
                                      .set_duty = set_duty,
                                      .repeat = has->repeat ? repeat : NULL,
                                      .send_nine = has->send_nine ? send_nine : NULL,
                                      .start = has->start ? start : NULL,
                                      .poll = has->poll ? poll : NULL,
                                      .now_us = clock_us,
                                      .scanout = meter->rig->sim.rgb ? &scanout_ops : NULL};
    port->ops = &meter->ops;
    port->context = meter;
}

enum jl_run_end jl_host_meter_run(struct jl_host_meter *meter, jl_program program,
                                  jl_status *status) {
    struct jl_port port = meter->rig->port;
    struct sigaction action = {.sa_handler = look_at_it}, before;
    jl_host_meter_stand(meter, &port);
    sigemptyset(&action.sa_mask);
    sigaction(SIGALRM, &action, &before);
    running.calls = 1;
    running.inside = running.stuck = 0;
    int left = sigsetjmp(running.out, 1);
    if (left == 0) {
        set_timer(meter->patience_ms);
        *status = program(&port);
    }
    set_timer(0);
    sigaction(SIGALRM, &before, NULL);
    meter->whole_us = now_us(meter);
    return (enum jl_run_end)left;
}
