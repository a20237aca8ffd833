/* What hands do in a window is told to who sends its tap: a peer on a socket. */
#define _DEFAULT_SOURCE
#define _XOPEN_SOURCE 600 /* posix_openpt() */
#include "harness.h"

#include <fcntl.h>
#include <poll.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/socket.h>
#include <sys/un.h>
#include <unistd.h>

#include "desk.h"
#include "jadelamp/sim/picture.h"
#include "shell.h"

/* ---- a peer that sends nothing, and listens ---- */

static int listener(void) {
    struct sockaddr_un address = {.sun_family = AF_UNIX};
    int file = socket(AF_UNIX, SOCK_STREAM, 0);
    snprintf(address.sun_path, sizeof address.sun_path, "%s", shell_path("peer"));
    EXPECT(bind(file, (const struct sockaddr *)&address, sizeof address) == 0);
    EXPECT(listen(file, 1) == 0);
    return file;
}

/* Whether lines come of which the last is this one, within five seconds of each other. */
static bool told(int peer, const char *line) {
    char now[100] = "", all[400] = "";
    size_t length = 0;
    struct pollfd waits = {.fd = peer, .events = POLLIN};
    while (strcmp(now, line) != 0) {
        char byte;
        length = 0;
        do {
            if (poll(&waits, 1, 5000) <= 0 || read(peer, &byte, 1) != 1) {
                test_row("%s; what came was%s", line, all);
                return EXPECT(false);
            }
            now[length] = byte;
        } while (byte != '\n' && ++length < sizeof now - 1);
        now[length] = '\0';
        snprintf(all + strlen(all), sizeof all - strlen(all), " [%s]", now);
    }
    return EXPECT_TEXT(now, line);
}

static void hands_are_told(void) {
    static const struct {
        int x, y;
        const char *deed, *line;
    } rows[] = {
        {60, 100, "mousedown 1", "hands 0 0 60 100 -1 -1"},
        {61, 120, NULL, "hands 0 0 61 120 -1 -1"}, /* it slides */
        {125, 40, "mousedown 3", "hands 0 0 125 40 125 40"},
        {125, 40, "mouseup 1", "hands 0 0 -1 -1 125 40"},
        {125, 40, "mouseup 3", "hands 0 0 -1 -1 -1 -1"},
        {125, 40, "keydown Return", "hands 1 0 -1 -1 -1 -1"},
        {125, 40, "keydown BackSpace", "hands 3 0 -1 -1 -1 -1"},
        {125, 40, "keyup Return keyup BackSpace", "hands 0 0 -1 -1 -1 -1"},
        {125, 40, "click 4", "hands 0 4 -1 -1 -1 -1"},
        {125, 40, "click 5 click 5", "hands 0 -4 -1 -1 -1 -1"},
    };
    int left, top, width, height;
    desk_begin();
    int file = listener();
    EXPECT_INT(shell("sed 's/^reset = wired/&\\nkey_ok = PB0\\nkey_back = PB1\\nknob_a = PC0\\n"
                     "knob_b = PC1/' " CARDS "/ili9341-240x320-touch.card >worked.card"),
               0);
    /* Where the glass is, while it is lit. */
    desk_window("worked.card --zoom 2 --plain");
    shell("sleep 0.4");
    desk_find_glass(&left, &top, &width, &height);
    for (int tries = 0; tries < 50 && (width < 480 || height < 640); tries++) {
        shell("sleep 0.1"); /* on a busy machine the card is not there as a whole yet */
        desk_find_glass(&left, &top, &width, &height);
    }
    EXPECT_INT(width, 480);
    desk_do("key q");
    EXPECT_INT(desk_wait(), 0);
    desk_window("worked.card --from unix:peer --tell-hands --zoom 2 --plain");
    int peer = accept(file, NULL, NULL);
    EXPECT(peer >= 0);
    told(peer, "hands 0 0 -1 -1 -1 -1");
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[100];
        snprintf(line, sizeof line, "mousemove %d %d %s", left + rows[i].x * 2 + 1,
                 top + rows[i].y * 2 + 1, rows[i].deed ? rows[i].deed : "");
        desk_do(line);
        told(peer, rows[i].line);
    }
    /* Who does not listen any more is no harm. */
    close(peer);
    desk_do("key Return");
    desk_do("key q");
    EXPECT_INT(desk_wait(), 1); /* nothing was ever sent: dark */
    close(file);
    desk_end();
}

/* The way to a microcontroller on a desk. */
static void over_a_serial_line(void) {
    char line[300];
    desk_begin();
    int far = posix_openpt(O_RDWR | O_NOCTTY);
    EXPECT(far >= 0 && grantpt(far) == 0 && unlockpt(far) == 0);
    int near = open(ptsname(far), O_RDWR | O_NOCTTY); /* so that the line stays */
    EXPECT_INT(shell("sed 's/^reset = wired/&\\nkey_ok = PB0/' " CARDS
                     "/ili9341-240x320-touch.card >worked.card"),
               0);
    snprintf(line, sizeof line, "worked.card --from %s --tell-hands --zoom 1 --plain",
             ptsname(far));
    desk_window(line);
    told(far, "hands 0 0 -1 -1 -1 -1");
    desk_do("keydown Return");
    told(far, "hands 1 0 -1 -1 -1 -1");
    desk_do("keyup Return");
    told(far, "hands 0 0 -1 -1 -1 -1");
    desk_do("key q");
    EXPECT_INT(desk_wait(), 1); /* dark */
    close(near);
    close(far);
    desk_end();
}

static void it_needs_somebody(void) {
    shell_begin();
    EXPECT_INT(shell(JADELAMP " window ssd1306-128x64-i2c --tell-hands"), 2);
    EXPECT_CONTAINS(output, "--tell-hands: name who is told, with --from SOURCE");
    shell_end();
}

const struct test_group test_groups[] = {
    {"hands_are_told", hands_are_told},
    {"over_a_serial_line", over_a_serial_line},
    {"it_needs_somebody", it_needs_somebody},
    {NULL, NULL},
};
