#include "desk.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "harness.h"
#include "jadelamp/host/png.h"
#include "shell.h"

/* As host/window/view.c paints what is no glass, and the strip. */
static const unsigned char ground[3] = {38, 42, 46}, strip[3] = {20, 23, 26};

void desk_begin(void) {
    shell_begin();
    /* The server chooses a number that is free, and tells it when it is ready. */
    EXPECT_INT(shell("(Xvfb -displayfd 3 -screen 0 1280x800x24 -nolisten tcp -noreset 3>number "
                     ">/dev/null 2>&1 & echo $! >server); "
                     "for i in $(seq 100); do [ -s number ] && break; sleep 0.05; done; "
                     "cat number"),
               0);
    char display[20];
    snprintf(display, sizeof display, ":%d", atoi(output));
    setenv("DISPLAY", display, 1);
    setenv("SDL_VIDEODRIVER", "x11", 1);
}

void desk_end(void) {
    shell("kill $(cat server); [ ! -f window ] || kill $(cat window) 2>/dev/null; true");
    shell_end();
}

void desk_window(const char *words) {
    char command[1200];
    snprintf(command, sizeof command, "window %s", words);
    desk_command(command);
}

void desk_command(const char *command) {
    char line[1600];
    snprintf(line, sizeof line,
             "rm -f status told; (%s %s >told 2>&1 & echo $! >window; wait $!; "
             "echo $? >status.part; mv status.part status) </dev/null >/dev/null 2>&1 & "
             "for i in $(seq 200); do "
             "xdotool search --onlyvisible --name 'Jade Lamp' >/dev/null 2>&1 && break; "
             "[ -s status ] && break; sleep 0.05; done; sleep 0.2",
             JADELAMP, command);
    EXPECT_INT(shell(line), 0);
}

int desk_wait(void) {
    int status = -1;
    EXPECT(desk_wait_for("status"));
    EXPECT_INT(shell("cat status"), 0);
    status = atoi(output);
    shell("cat told");
    if (status == 2) {
        printf("    it told: %s\n", output);
    }
    return status;
}

void desk_do(const char *deed) {
    char line[400];
    /* Without a window manager nobody else gives the window its keys. */
    snprintf(line, sizeof line,
             "xdotool search --onlyvisible --name 'Jade Lamp' windowfocus; xdotool %s && "
             "sleep 0.08",
             deed);
    EXPECT_INT(shell(line), 0);
}

struct jl_picture desk_picture(void) {
    EXPECT_INT(shell("import -window root -depth 8 PNG24:screen.png"), 0);
    return shell_picture("screen.png");
}

static bool is_around(const struct jl_picture *picture, int x, int y) {
    static const unsigned char black[3] = {0, 0, 0};
    const unsigned char *at = jl_picture_at(picture, x, y);
    return memcmp(at, ground, 3) == 0 || memcmp(at, strip, 3) == 0 || memcmp(at, black, 3) == 0;
}

void desk_find_glass(int *left, int *top, int *width, int *height) {
    struct jl_picture picture = desk_picture();
    int right = -1, bottom = -1;
    *left = picture.width;
    *top = picture.height;
    /* Down to the strip: a row that has its colour. */
    for (int y = 0; y < picture.height; y++) {
        if (memcmp(jl_picture_at(&picture, picture.width / 2, y), strip, 3) == 0) {
            break;
        }
        for (int x = 0; x < picture.width; x++) {
            if (!is_around(&picture, x, y)) {
                *left = x < *left ? x : *left;
                *top = y < *top ? y : *top;
                right = x > right ? x : right;
                bottom = y > bottom ? y : bottom;
            }
        }
    }
    EXPECT(right > 0);
    *width = right + 1 - *left;
    *height = bottom + 1 - *top;
    jl_picture_free(&picture);
}

bool desk_wait_for(const char *name) {
    for (int tries = 0; tries < 200; tries++) {
        if (shell_has(name)) {
            return true;
        }
        usleep(50000);
    }
    return EXPECT(shell_has(name));
}

struct jl_picture desk_shot(const char *name) {
    desk_do("key s");
    EXPECT(desk_wait_for(name));
    return shell_picture(name);
}

bool desk_wait_told(const char *text, int times) {
    char line[300];
    snprintf(line, sizeof line,
             "for i in $(seq 200); do [ $(grep -c '%s' told) -ge %d ] && exit 0; sleep 0.05; done; "
             "exit 1",
             text, times);
    return EXPECT_INT(shell(line), 0);
}
