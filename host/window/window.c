/* The window: events in, the picture out (SDL2). */
#include "jadelamp/host/window.h"

#include <SDL.h>
#include <stdlib.h>
#include <string.h>

#include "actor.h"
#include "jadelamp/event.h"
#include "pace.h"
#include "rates.h"
#include "view.h"

#define FRAME_S        (1.0 / 60)
#define STALE_EVERY    12 /* frames from look to look at the object's file */
#define MILLISECOND_PS ((uint64_t)1000000000)

static const uint32_t speeds[] = {1,   2,   5,    10,   20,   50,    100,
                                  200, 500, 1000, 2000, 5000, 10000, 100000};
enum { SPEEDS = sizeof speeds / sizeof speeds[0] };

struct window {
    const struct jl_window_request *request;
    struct jl_window_result *result;
    SDL_Window *sdl;
    struct link *link;
    struct actor actor;
    struct view view;
    struct rates rates;
    struct rates_now rates_now;
    struct link_report report;
    uint8_t *pixels; /* of all glasses, as in the link */
    unsigned lines_told, notes_told;
    int slid;               /* the value whose slider the mouse holds; NONE_THERE */
    int held[LINK_FINGERS]; /* the panel that a finger came down on; -1: none */
    bool closed, fresh, has_keys, has_knob;
    char hint[120];
};

static void tell(struct window *window, const char *format, ...)
    __attribute__((format(printf, 2, 3)));
static void tell(struct window *window, const char *format, ...) {
    va_list arguments;
    if (window->request->told) {
        va_start(arguments, format);
        vfprintf(window->request->told, format, arguments);
        va_end(arguments);
        fflush(window->request->told);
    }
}

/* ---- hands ---- */

static void move_finger(struct window *window, int finger, int x, int y, bool down) {
    int panel = window->held[finger], glass_x, glass_y;
    bool inside = jl_host_view_hit(&window->view, x, y, &panel, &glass_x, &glass_y);
    struct link_finger *told = &window->link->fingers[finger];
    if (down && window->held[finger] < 0 && inside) {
        window->held[finger] = panel;
        window->result->fingers++;
        atomic_store(&told->panel, (unsigned)panel);
        atomic_fetch_add(&told->press.count, 1);
        if (!window->request->cards[panel].touch.controller) {
            snprintf(window->hint, sizeof window->hint,
                     "the card %s has no [touch]: a finger does "
                     "nothing",
                     window->request->cards[panel].name);
        }
    } else if (window->held[finger] < 0) {
        return;
    }
    if (!down) {
        window->held[finger] = -1;
        atomic_store(&told->press.held, 0);
        return;
    }
    atomic_store(&told->place, (unsigned)glass_x << 16 | (unsigned)glass_y);
    atomic_store(&told->press.held, 1);
}

static void turn_knob(struct window *window, int detents) {
    if (window->has_knob) {
        atomic_fetch_add(&window->link->quarters, 4 * detents);
        window->result->detents += (uint32_t)abs(detents);
    } else {
        snprintf(window->hint, sizeof window->hint,
                 "no card has knob_a and knob_b in [pins]: the wheel does nothing");
    }
}

/* A slider of a value. False: none is there, or held. */
static bool slide(struct window *window, int x, int y, bool begins) {
    int32_t number;
    if (begins) {
        window->slid = jl_host_view_slide(&window->view, x, y, NONE_THERE, &number);
    }
    if (window->slid == NONE_THERE) {
        return false;
    }
    jl_host_view_slide(&window->view, x, y, window->slid, &number);
    atomic_store(&window->link->sets[window->slid].number, number);
    atomic_fetch_add(&window->link->sets[window->slid].count, 1);
    return true;
}

/* The panel's key of a keyboard's; -1: none. */
static int panel_key(SDL_Keycode key) {
    switch (key) {
    case SDLK_RETURN:
        return JL_KEY_OK;
    case SDLK_BACKSPACE:
    case SDLK_ESCAPE:
        return JL_KEY_BACK;
    case SDLK_UP:
        return JL_KEY_UP;
    case SDLK_DOWN:
        return JL_KEY_DOWN;
    default:
        return -1;
    }
}

static void press_key(struct window *window, int key, bool down) {
    struct link_press *told = &window->link->keys[key];
    if (!window->has_keys && down) {
        snprintf(
            window->hint, sizeof window->hint,
            "no card has key_ok, key_back, key_up or key_down in [pins]: the key does nothing");
        return;
    }
    if (down) {
        window->result->keys++;
        atomic_fetch_add(&told->count, 1);
    }
    atomic_store(&told->held, down);
}

/* ---- the window's own keys ---- */

static void change_speed(struct window *window, int by) {
    int now = 0;
    while (now < SPEEDS - 1 && speeds[now] < atomic_load(&window->link->speed_permille)) {
        now++;
    }
    now += by;
    if (now >= 0 && now < SPEEDS) {
        atomic_store(&window->link->speed_permille, speeds[now]);
    }
}

static bool lay_out(struct window *window) {
    window->fresh = true;
    if (!jl_host_view_lay_out(&window->view)) {
        return false;
    }
    SDL_SetWindowSize(window->sdl, window->view.canvas.width, window->view.canvas.height);
    return true;
}

static void change_zoom(struct window *window, int by) {
    int zoom = window->view.zoom + by;
    if (zoom >= 1 && zoom <= VIEW_MOST_ZOOM) {
        window->view.zoom = zoom;
        window->closed |= !lay_out(window);
    }
}

static void change_look(struct window *window) {
    window->view.plain = !window->view.plain;
    if (!window->view.plain && window->view.zoom < 2) {
        window->view.zoom = 2;
    }
    window->closed |= !lay_out(window);
}

static void start_anew(struct window *window, const char *why) {
    struct jl_complaint complaint = {""};
    jl_host_actor_stop(&window->actor);
    window->lines_told = window->notes_told = 0;
    if (!jl_host_actor_start(&window->actor, &complaint)) {
        tell(window, "%s\n", complaint.text);
        return;
    }
    window->result->loads++;
    tell(window, "%s: started anew\n", why);
}

static void step(struct window *window, uint64_t span_ps) {
    atomic_store(&window->link->paused, 1);
    atomic_fetch_add(&window->link->granted_ps, span_ps);
}

static void press(struct window *window, const SDL_KeyboardEvent *event) {
    SDL_Keycode key = event->keysym.sym;
    if (event->repeat && key != SDLK_PERIOD && key != SDLK_COMMA) {
        return;
    }
    if (panel_key(key) >= 0) {
        press_key(window, panel_key(key), true);
        return;
    }
    switch (key) {
    case SDLK_LEFT:
    case SDLK_RIGHT:
        turn_knob(window, key == SDLK_RIGHT ? 1 : -1);
        break;
    case SDLK_SPACE:
        atomic_store(&window->link->paused, !atomic_load(&window->link->paused));
        break;
    case SDLK_PERIOD:
        step(window, MILLISECOND_PS);
        break;
    case SDLK_COMMA:
        step(window, MILLISECOND_PS / 10);
        break;
    case SDLK_LEFTBRACKET:
    case SDLK_RIGHTBRACKET:
        change_speed(window, key == SDLK_RIGHTBRACKET ? 1 : -1);
        break;
    case SDLK_PLUS:
    case SDLK_EQUALS:
    case SDLK_KP_PLUS:
        change_zoom(window, 1);
        break;
    case SDLK_MINUS:
    case SDLK_KP_MINUS:
        change_zoom(window, -1);
        break;
    case SDLK_p:
        change_look(window);
        break;
    case SDLK_s:
        atomic_fetch_add(&window->link->shots, 1);
        break;
    case SDLK_c:
        atomic_fetch_add(&window->link->records, 1);
        break;
    case SDLK_r:
        start_anew(window, "asked for");
        break;
    case SDLK_q:
        window->closed = true;
        break;
    default:
        break;
    }
}

static int finger_of(uint8_t button) {
    return button == SDL_BUTTON_LEFT ? 0 : button == SDL_BUTTON_RIGHT ? 1 : -1;
}

static void handle(struct window *window, const SDL_Event *event) {
    int finger;
    switch (event->type) {
    case SDL_QUIT:
        window->closed = true;
        break;
    case SDL_MOUSEBUTTONDOWN:
    case SDL_MOUSEBUTTONUP:
        finger = finger_of(event->button.button);
        if (finger == 0 && event->type == SDL_MOUSEBUTTONUP) {
            window->slid = NONE_THERE;
        }
        if (finger == 0 && event->type == SDL_MOUSEBUTTONDOWN &&
            slide(window, event->button.x, event->button.y, true)) {
            break;
        }
        if (finger >= 0) {
            window->hint[0] = '\0';
            move_finger(window, finger, event->button.x, event->button.y,
                        event->type == SDL_MOUSEBUTTONDOWN);
        }
        break;
    case SDL_MOUSEMOTION:
        if (slide(window, event->motion.x, event->motion.y, false)) {
            break;
        }
        for (finger = 0; finger < LINK_FINGERS; finger++) {
            /* The right one stays where it came down while the left one moves. */
            bool moves = finger == 0 || window->held[0] < 0;
            if (window->held[finger] >= 0 && moves) {
                move_finger(window, finger, event->motion.x, event->motion.y, true);
            }
        }
        break;
    case SDL_MOUSEWHEEL:
        turn_knob(window, event->wheel.y);
        break;
    case SDL_KEYDOWN:
        window->hint[0] = '\0';
        press(window, &event->key);
        break;
    case SDL_KEYUP:
        if (panel_key(event->key.keysym.sym) >= 0) {
            press_key(window, panel_key(event->key.keysym.sym), false);
        }
        break;
    case SDL_WINDOWEVENT:
        window->fresh = true;
        break;
    default:
        break;
    }
}

/* ---- the strip ---- */

static const char *name_of_speed(uint32_t permille, char *text, size_t size) {
    if (permille >= 1000) {
        snprintf(text, size, permille == 1000 ? "real speed" : "%u times as fast",
                 (unsigned)permille / 1000);
    } else {
        snprintf(text, size, "%u times slower", (unsigned)(1000 / permille));
    }
    return text;
}

static void write_state(struct window *window, struct view_line *line) {
    const struct link_report *report = &window->report;
    if (window->actor.end != ACTOR_RUNS) {
        line->mood = VIEW_ALARMS;
        snprintf(line->text, sizeof line->text, "the program %s; r starts it anew",
                 window->actor.why);
    } else if (report->state == LINK_FAILED) {
        line->mood = VIEW_ALARMS;
        snprintf(line->text, sizeof line->text, "%s", report->note);
    } else if (report->state == LINK_RETURNED) {
        line->mood = report->status == JL_OK ? VIEW_USUAL : VIEW_ALARMS;
        snprintf(line->text, sizeof line->text, "returned %s: %s%s%s",
                 jl_status_name(report->status), jl_status_text(report->status),
                 report->panels[0].dark ? "; dark: " : "", report->panels[0].why_dark);
    } else {
        line->mood = VIEW_USUAL;
        const struct jl_window_request *request = window->request;
        snprintf(line->text, sizeof line->text, "%s runs%s%s",
                 request->sheet         ? request->sheet
                 : request->object      ? request->object
                 : request->program     ? "the program"
                 : window->request->tap ? "the tap"
                                        : "the test card",
                 report->panels[0].dark ? "; dark: " : "", report->panels[0].why_dark);
    }
}

static void write_finding(struct window *window, struct view_line *line) {
    unsigned count = atomic_load(&window->link->line_count);
    line->mood = VIEW_QUIET;
    if (*window->hint) {
        line->mood = VIEW_WARNS;
        snprintf(line->text, sizeof line->text, "%s", window->hint);
    } else if (window->report.notes && window->report.state != LINK_FAILED) {
        snprintf(line->text, sizeof line->text, "%s", window->report.note);
    } else if (count) {
        const struct link_line *last = &window->link->lines[count - 1];
        line->mood = last->severity == JL_SEVERITY_ERROR     ? VIEW_ALARMS
                     : last->severity == JL_SEVERITY_WARNING ? VIEW_WARNS
                                                             : VIEW_QUIET;
        snprintf(line->text, sizeof line->text, "%u: %.3f ms %s: %s", count,
                 (double)last->at_ps / 1e9, jl_severity_name(last->severity), last->text);
    } else {
        snprintf(line->text, sizeof line->text, "no diagnostics");
    }
}

static void write_strip(struct window *window) {
    struct view_line *strip = window->view.strip;
    const struct link_report *report = &window->report;
    const struct rates_now *rates = &window->rates_now;
    char speed[40], rate[120] = "", load[40] = "";
    bool paused = atomic_load(&window->link->paused) != 0;
    if (rates->known) {
        snprintf(rate, sizeof rate, "   %.1f kB/s   %.0f pictures/s", rates->bytes_s / 1e3,
                 rates->changes_s);
    }
    if (rates->known && window->rates.byte_us > 0) {
        snprintf(load, sizeof load, "   wire %.0f %%", rates->load * 100);
    }
    strip[0].mood = VIEW_USUAL;
    snprintf(strip[0].text, sizeof strip[0].text, "%.3f s   %s%s   %llu bytes%s%s%s",
             (double)report->now_ps / 1e12,
             name_of_speed(atomic_load(&window->link->speed_permille), speed, sizeof speed),
             paused ? ", stopped" : "", (unsigned long long)report->panels[0].bytes, rate, load,
             report->records ? "   capturing" : "");
    write_state(window, &strip[1]);
    write_finding(window, &strip[2]);
    strip[3].mood = VIEW_QUIET;
    snprintf(strip[3].text, sizeof strip[3].text,
             "space stop  . , step  [ ] speed  + - zoom  p look  s picture  c capture  r anew  "
             "q quit");
}

/* ---- turn by turn ---- */

static void tell_lines(struct window *window) {
    unsigned count = atomic_load(&window->link->line_count);
    for (; window->lines_told < count; window->lines_told++) {
        const struct link_line *line = &window->link->lines[window->lines_told];
        window->result->diagnostics += line->severity != JL_SEVERITY_NOTE;
        tell(window, "%12.3f ms %s: %s\n", (double)line->at_ps / 1e9,
             jl_severity_name(line->severity), line->text);
    }
    if (window->report.notes != window->notes_told) {
        window->notes_told = window->report.notes;
        tell(window, "%12.3f ms %s\n", (double)window->report.now_ps / 1e9, window->report.note);
    }
}

/* The program's end, once. */
static void tell_return(struct window *window, enum link_state before) {
    const struct link_report *report = &window->report;
    if (before == LINK_RUNS && report->state == LINK_RETURNED) {
        tell(window, "%12.3f ms returned %s: %s\n", (double)report->now_ps / 1e9,
             jl_status_name(report->status), jl_status_text(report->status));
    }
}

static void look_after(struct window *window) {
    if (jl_host_actor_look(&window->actor)) {
        window->result->crashes += window->actor.end != ACTOR_ENDED;
        tell(window, "the program %s\n", window->actor.why);
    }
    if (window->request->object && window->result->frames % STALE_EVERY == 0 &&
        jl_host_actor_is_stale(&window->actor)) {
        start_anew(window, window->request->object);
    }
}

static void take_report(struct window *window) {
    uint32_t before = window->report.changes;
    enum link_state state = window->report.state;
    struct link_report report;
    /* Not while it is written: then the next turn takes it. */
    if (!jl_host_link_read(window->link, &report, window->pixels)) {
        return;
    }
    if (report.value_count != window->view.value_count) {
        window->view.value_count = report.value_count; /* another sheet: other places */
        window->view.values = window->report.values;
        window->report = report;
        window->closed |= !lay_out(window);
    }
    window->fresh |= report.changes != before;
    window->result->changes += report.changes != before;
    window->report = report;
    tell_return(window, state);
    window->rates_now = jl_host_rates_feed(&window->rates, &report, jl_host_real_s());
}

static void show(struct window *window) {
    struct view *view = &window->view;
    if (window->fresh) {
        for (int i = 0; i < view->count; i++) {
            jl_host_view_glass(view, i, &window->report.panels[i],
                               window->pixels +
                                   (window->link->pixel_at[i] - window->link->pixel_at[0]));
        }
    }
    write_strip(window);
    jl_host_view_strip(view);
    jl_host_view_values(view);
    SDL_Surface *onto = SDL_GetWindowSurface(window->sdl);
    SDL_Surface *from = SDL_CreateRGBSurfaceWithFormatFrom(
        view->canvas.rgb, view->canvas.width, view->canvas.height, 24, view->canvas.width * 3,
        SDL_PIXELFORMAT_RGB24);
    if (onto && from) {
        SDL_BlitSurface(from, NULL, onto, NULL);
        SDL_UpdateWindowSurface(window->sdl);
    }
    SDL_FreeSurface(from);
    window->fresh = false;
    window->result->frames++;
}

static void run(struct window *window) {
    double next_s = jl_host_real_s();
    uint32_t most = window->request->frames;
    while (!window->closed && (!most || window->result->frames < most)) {
        SDL_Event event;
        while (SDL_PollEvent(&event)) {
            handle(window, &event);
        }
        look_after(window);
        take_report(window);
        tell_lines(window);
        show(window);
        next_s += FRAME_S;
        double left_s = next_s - jl_host_real_s();
        next_s = left_s < -FRAME_S ? jl_host_real_s() : next_s;
        jl_host_real_wait(left_s);
    }
}

/* ---- opening and closing ---- */

/* The glass of each card, from a rig that is built and taken down again: also finds bad cards. */
static bool look_at_cards(struct window *window, struct jl_complaint *complaint) {
    static struct jl_rig rigs[JL_WINDOW_MOST_CARDS]; /* large */
    const struct jl_window_request *request = window->request;
    bool good = true;
    for (int i = 0; i < request->card_count && good; i++) {
        const struct jl_card *card = &request->cards[i];
        good = jl_rig_open_beside(&rigs[i], card, i ? &rigs[0] : NULL, complaint);
        if (good) {
            window->view.places[i].glass = *jl_device_glass(rigs[i].device);
            window->view.places[i].turn = (4 - (card->turn & 3)) & 3;
            window->view.count++;
            window->has_keys |= jl_card_has_keys(card);
            window->has_knob |= jl_card_has_knob(card);
        }
    }
    for (int i = window->view.count - 1; i >= 0; i--) {
        jl_rig_close(&rigs[i]);
    }
    return good;
}

static bool open_window(struct window *window, struct jl_complaint *complaint) {
    const struct jl_window_request *request = window->request;
    if (!jl_host_view_lay_out(&window->view)) {
        return jl_complain(complaint, "no memory for a window at zoom %d", window->view.zoom);
    }
    SDL_SetHint(SDL_HINT_NO_SIGNAL_HANDLERS, "0");
    SDL_SetHint(SDL_HINT_VIDEO_ALLOW_SCREENSAVER, "1");
    SDL_SetHint(SDL_HINT_FRAMEBUFFER_ACCELERATION, "0"); /* a picture is copied, and no more */
    if (SDL_Init(SDL_INIT_VIDEO) != 0) {
        return jl_complain(complaint,
                           "cannot open a window: %s. Is there a display (DISPLAY)? Without one, "
                           "SDL_VIDEODRIVER=dummy draws into nothing",
                           SDL_GetError());
    }
    char title[200];
    snprintf(title, sizeof title, "%s: Jade Lamp",
             request->name ? request->name : request->cards[0].name);
    window->sdl = SDL_CreateWindow(title, SDL_WINDOWPOS_CENTERED, SDL_WINDOWPOS_CENTERED,
                                   window->view.canvas.width, window->view.canvas.height, 0);
    return window->sdl || jl_complain(complaint, "cannot open a window: %s", SDL_GetError());
}

static bool open_all(struct window *window, struct jl_complaint *complaint) {
    const struct jl_window_request *request = window->request;
    if (request->card_count < 1 || request->card_count > JL_WINDOW_MOST_CARDS) {
        return jl_complain(complaint, "%d cards: expected 1 to %d", request->card_count,
                           JL_WINDOW_MOST_CARDS);
    }
    if (request->zoom < 0 || request->zoom > VIEW_MOST_ZOOM) {
        return jl_complain(complaint, "zoom %d: expected 1 to %d", request->zoom, VIEW_MOST_ZOOM);
    }
    if (!look_at_cards(window, complaint)) {
        return false;
    }
    window->link = jl_host_link_open(request->cards, request->card_count);
    window->pixels = window->link ? calloc(1, window->link->bytes) : NULL;
    if (!window->pixels) {
        return jl_complain(complaint, "no memory for %d glasses", request->card_count);
    }
    atomic_store(&window->link->speed_permille,
                 request->speed_permille ? request->speed_permille : 1000);
    jl_host_rates_begin(&window->rates, &request->cards[0]);
    window->actor.link = window->link;
    window->actor.request = request;
    window->result->loads = 1;
    return open_window(window, complaint) && jl_host_actor_start(&window->actor, complaint);
}

bool jl_window(const struct jl_window_request *request, struct jl_window_result *result,
               struct jl_complaint *complaint) {
    struct window window = {
        .request = request, .result = result, .fresh = true, .slid = NONE_THERE, .held = {-1, -1}};
    double begun_s = jl_host_real_s();
    memset(result, 0, sizeof *result);
    window.view.zoom = request->zoom;
    window.view.plain = request->plain;
    jl_host_actor_note_files(&window.actor);
    bool good = open_all(&window, complaint);
    if (good) {
        run(&window);
        jl_host_actor_look(&window.actor);
        take_report(&window);
        tell_lines(&window);
        jl_host_actor_stop(&window.actor);
        result->status = window.report.state == LINK_RUNS ? JL_OK : window.report.status;
        result->dark = window.report.panels[0].dark;
        result->virtual_s = (double)window.report.now_ps / 1e12;
        result->real_s = jl_host_real_s() - begun_s;
    }
    if (window.sdl) {
        SDL_DestroyWindow(window.sdl);
    }
    SDL_Quit();
    jl_picture_free(&window.view.canvas);
    jl_host_link_close(window.link);
    free(window.pixels);
    return good;
}

bool jl_window_has_findings(const struct jl_window_result *result) {
    return result->crashes || result->diagnostics || result->dark || result->status != JL_OK;
}
