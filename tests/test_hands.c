/* Scripts of hands: read as meant, or refused with the place and what would be right. */
#include "harness.h"

#include <string.h>

#include "jadelamp/host/hand_script.h"
#include "jadelamp/target.h"

static struct jl_complaint complaint;
static struct jl_hand_script script;

static void a_whole_script(void) {
    static const char text[] = "; a comment\n"
                               "\n"
                               "100 ms  tap 120 200   ; with one behind\r\n"
                               "0.15 s  press 40 50 finger 1\n"
                               "0.3 s   slide 200 50 finger 1\n"
                               "  0.4 s lift finger 1  \n"
                               "1 s     key back\n"
                               "1 s     key 4\n"
                               "2.5 s   turn -2\n"
                               "3 s     look the gate opens";
    static const struct {
        int ms;
        enum jl_hand_deed deed;
        int which, x, y;
    } steps[] = {{100, JL_HAND_PRESS, 0, 120, 200}, {150, JL_HAND_PRESS, 1, 40, 50},
                 {180, JL_HAND_LIFT, 0, 120, 200},  {300, JL_HAND_SLIDE, 1, 200, 50},
                 {400, JL_HAND_LIFT, 1, 0, 0},      {1000, JL_HAND_KEY_DOWN, 1, 0, 0},
                 {1000, JL_HAND_KEY_DOWN, 4, 0, 0}, {1080, JL_HAND_KEY_UP, 1, 0, 0},
                 {1080, JL_HAND_KEY_UP, 4, 0, 0},   {2500, JL_HAND_TURN, 0, -2, 0}};
    EXPECT(jl_hand_script_read_text("x", text, &script, &complaint));
    EXPECT_INT((long long)script.step_count, 10);
    for (size_t i = 0; i < 10; i++) {
        test_row("step %zu", i);
        EXPECT_INT((long long)(script.steps[i].at_ps / 1000000000), steps[i].ms);
        EXPECT_INT(script.steps[i].deed, steps[i].deed);
        EXPECT_INT(script.steps[i].which, steps[i].which);
        EXPECT_INT(script.steps[i].x, steps[i].x);
        EXPECT_INT(script.steps[i].y, steps[i].y);
    }
    EXPECT_INT((long long)script.look_count, 1);
    EXPECT_TEXT(script.looks[0].caption, "the gate opens");
    EXPECT_INT((long long)(script.end_ps / 1000000000), 3000);
    jl_hand_script_start(&script, 7);
    EXPECT_INT((long long)(script.steps[0].at_ps % 1000), 7);
    EXPECT(jl_hand_script_read_text("x", "", &script, &complaint));
    EXPECT_INT((long long)script.step_count, 0);
}

static void mistakes(void) {
    static const struct {
        const char *text, *says;
    } rows[] = {
        {"tap", "x:1: tap: expected a time and a deed, such as 0.5 s tap 120 200"},
        {"\n\n1 min tap 3 4", "x:3: 1 min: expected a time up to an hour with its unit, ms or s"},
        {"1 tap 3 4", "1 tap: expected a time"},
        {"-1 s tap 3 4", "-1 s: expected a time"},
        {"9999 s tap 3 4", "up to an hour"},
        {"2 s tap 3 4\n1 s tap 3 4", "x:2: 1 s: times must rise; the line before is at 2.000 s"},
        {"1 s poke 3 4", "poke: unknown deed; known are: tap, press, slide, lift, key, turn, look"},
        {"1 s tap 3", "tap 3: expected a place, such as tap 120 200"},
        {"1 s tap 3 4 5", "expected a place"},
        {"1 s tap 3 4 finger 5", "with a finger of 0 to 4"},
        {"1 s tap 3 4 finger 1 now", "expected a place"},
        {"1 s tap 3 9999", "expected a place"},
        {"1 s tap -4097 4", "expected a place"},
        {"1 s tap 4097 4", "expected a place"},
        {"1 s tap 3 -4097", "expected a place"},
        {"1 s tap 4294967416 3", "tap 4294967416 3: expected a place"},
        {"1 s tap 3 4 finger -1", "expected a place"},
        {"1 s tap 3 4 finger 4294967297", "expected a place"},
        {"1 s tap 3 4 hand 1", "expected a place"},
        {"1 s lift finger 5", "expected lift, or lift finger 1"},
        {"1 s lift finger -1", "expected lift, or lift finger 1"},
        {"1 s lift finger 1 2", "expected lift, or lift finger 1"},
        {"1 s key 5", "a number from 0 to 4"},
        {"1 s turn 101", "expected detents"},
        {"1 s turn -101", "expected detents"},
        {"1 s turn 4294967298", "turn 4294967298: expected detents"},
        {"1 s turn 2 3", "expected detents"},
        {"1 s lift 3", "lift 3: expected lift, or lift finger 1"},
        {"1 s key enter", "key enter: expected ok, back, up, down, or a number from 0 to 4"},
        {"1 s turn 0", "turn 0: expected detents from -100 to 100"},
        {"1 s turn left", "turn left: expected detents"},
        {"1 s look", "look : expected a caption of 1 to 47 characters, at most 24 times"},
        {"1 s look 123456789 123456789 123456789 123456789 12345678", "expected a caption"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].text);
        EXPECT(!jl_hand_script_read_text("x", rows[i].text, &script, &complaint));
        EXPECT_CONTAINS(complaint.text, rows[i].says);
    }
    static char many[JL_HAND_MOST_STEPS * 14 + 100];
    for (int i = 0; i <= JL_HAND_MOST_STEPS; i++) {
        strcat(many, "1 s press 1 1\n");
    }
    test_row("too many");
    EXPECT(!jl_hand_script_read_text("x", many, &script, &complaint));
    EXPECT_CONTAINS(complaint.text, "x:513: a script has at most 512 deeds");
    memset(many, 'a', 300);
    test_row("a long line");
    EXPECT(!jl_hand_script_read_text("x", many, &script, &complaint));
    EXPECT_CONTAINS(complaint.text, "longer than 199 characters");
    test_row("no file");
    EXPECT(!jl_hand_script_read("/nowhere/x.hands", &script, &complaint));
    EXPECT_CONTAINS(complaint.text, "cannot read the script /nowhere/x.hands");
    EXPECT(!jl_hand_script_read("/", &script, &complaint));
}

/* Written for a picture that is turned on glass of 240 x 320: where its corner comes to lie. */
static void turned(void) {
    static const struct {
        uint8_t turn;
        int x, y; /* of the picture's (10, 20) on the upright glass */
    } rows[] = {
        {JL_TURN_0, 10, 20},
        {JL_TURN_90, 219, 10}, /* the left edge at the top: y is from the right */
        {JL_TURN_180, 229, 299},
        {JL_TURN_270, 20, 309},
        {JL_TURN_MIRROR, 229, 20},
        {JL_TURN_90 | JL_TURN_MIRROR, 219, 309},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("turn %d", rows[i].turn);
        EXPECT(jl_hand_script_read_text("x", "1 s press 10 20\n2 s turn 1", &script, &complaint));
        jl_hand_script_turn(&script, rows[i].turn, 240, 320);
        EXPECT_INT(script.steps[0].x, rows[i].x);
        EXPECT_INT(script.steps[0].y, rows[i].y);
        EXPECT_INT(script.steps[1].x, 1); /* detents are no place */
    }
}

const struct test_group test_groups[] = {
    {"a_whole_script_as_meant", a_whole_script},
    {"mistakes_are_explained", mistakes},
    {"places_of_turned_pictures", turned},
    {NULL, NULL},
};
