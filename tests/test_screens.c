/* Screen sheets: what is read, what is found, what is drawn, and the C that draws the same. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/rig.h"
#include "jadelamp/host/screen_sheet.h"
#include "jadelamp/jadelamp.h"
#include "quay_gauge.h"
#include "screen_shim.h"
#include "shell.h"

#define FONT "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf"
#define HEAD "screen s\nglass 128 x 64\n"

static const struct jl_screen_glass any_mono = {.colors = JL_SCREEN_MONO};

static struct jl_screen *read_text(const char *text, struct jl_complaint *complaint) {
    complaint->text[0] = '\0';
    return jl_screen_read_text("a.screen", text, strlen(text), &any_mono, complaint);
}

/* Each mistake: where it is, what was read, what would be right. */
static void mistakes_are_told(void) {
    static const struct {
        const char *text, *says[2];
    } rows[] = {
        {"", {"there is no line screen NAME", "screen quay_gauge"}},
        {"screen s\n", {"a.screen:1", "glass 128 x 64"}},
        {"screen 5\nglass 1 x 1\n", {"a.screen:1: 5", "beginning with a letter"}},
        {"screen while\nglass 1 x 1\n", {"a.screen:1: while", "a word of C"}},
        {"screen s\nrect 0 0 1 x 1 fill red\n", {"a.screen:2: rect", "glass 128 x 64"}},
        {"screen s\nglass 0 x 4\n", {"a.screen:2: 0", "from 1 to 4096"}},
        {"screen s\nglass 128 64\n", {"a.screen:2: 64", "expected x"}},
        {HEAD "frob 3\n", {"a.screen:3: frob", "screen, glass, only"}},
        {HEAD "rect 0 0 10 x 10\n", {"a.screen:3: rect", "fill or stroke"}},
        {HEAD "rect 0 0 10 x 10 fill blurple\n", {"a.screen:3: blurple", "no colour"}},
        {HEAD "rect 0 0 10 x 10 fill #12345\n", {"a.screen:3: #12345", "six hex digits"}},
        {HEAD "rect 0 0 10 x 10 fill 20% 30\n", {"a.screen:3: 30", "three percentages"}},
        {HEAD "rect 0 0 10 x 10 fill 120% 0% 0%\n", {"a.screen:3: 120%", "percentages"}},
        {HEAD "rect 0 0 10 x 0 fill red\n", {"a.screen:3: 0", "a height"}},
        {HEAD "rect 0 0 99999 x 1 fill red\n", {"a.screen:3: 99999", "8191"}},
        {HEAD "rect 0 0 10 x 10 fill red wide\n", {"a.screen:3: wide", "rect does not have that"}},
        {HEAD "circle 4 4 fill red\n", {"a.screen:3: circle", "its radius"}},
        {HEAD "line 4 4 ink red\n", {"a.screen:3: line", "to X Y"}},
        {HEAD "text hello at 0 0\n", {"a.screen:3: hello", "in quotes"}},
        {HEAD "text \"hello\n", {"a.screen:3: \"hello", "the quote at the end"}},
        {HEAD "text \"a\\q\" at 0 0\n", {"a.screen:3: \\q", "expected \\n"}},
        {HEAD "text \"a\"\n", {"a.screen:3: text", "either at X Y or in"}},
        {HEAD "text \"a\" at 0 0 in 0 0 9 x 9\n", {"a.screen:3: text", "either at X Y or in"}},
        {HEAD "text \"{h}\" at 0 0\n", {"a.screen:3: {h}", "write value h"}},
        {HEAD "text \"{h\" at 0 0\n", {"a.screen:3: \"{h\"", "expected }"}},
        {HEAD "text \"a\" at 0 0 font 9x9\n", {"a.screen:3: 9x9", "no font"}},
        {HEAD "font f = \"no.ttf\" size 12\n", {"a.screen:3: cannot read the font ./no.ttf", ""}},
        {HEAD "font f = \"no.ttf\"\n", {"a.screen:3", "expected size"}},
        {HEAD "font f = \"no.ttf\" size 400\n", {"a.screen:3: 400", "4 to 127"}},
        {HEAD "font f = 5x7 else 1x1\n", {"a.screen:3: 1x1", "no font"}},
        {HEAD "theme t = dusk\n", {"a.screen:3: dusk", "night, day"}},
        {HEAD "theme t = night shiny red\n", {"a.screen:3: shiny", "back, face"}},
        {HEAD "color water = none\n", {"a.screen:3: none", "no colour"}},
        {HEAD "color water 20%\n", {"a.screen:3: 20%", "expected ="}},
        {HEAD "picture \"no.png\" at 0 0\n", {"a.screen:3: cannot read", "no.png"}},
        {HEAD "picture \"no.png\"\n", {"a.screen:3: picture", "at X Y"}},
        {HEAD "value v = number 0 to 9\nvalue v = switch\n", {"a.screen:4: v", "already"}},
        {HEAD "value v = number 9 to 0\n", {"a.screen:3: v", "must rise"}},
        {HEAD "value v = number 0 to 9.5\n", {"a.screen:3: 9.5", "whole number"}},
        {HEAD "value v = number 0 to 9.55 decimals 1\n", {"a.screen:3: 9.55", "1 digits"}},
        {HEAD "value v = number 0 to 99999999999\n", {"a.screen:3: 99999999999", "the most"}},
        {HEAD "value v = number 0 to 9 sample 12\n", {"a.screen:3: 12", "v is from 0 to 9"}},
        {HEAD "value v = clock sample 25:00\n", {"a.screen:3: 25:00", "07:30"}},
        {HEAD "value v = clock sample none\n", {"a.screen:3: none", "07:30"}},
        {HEAD "value v = choice \"one\"\n", {"a.screen:3: choice", "two or more"}},
        {HEAD "value v = choice \"a\" \"b\" sample \"c\"\n", {"a.screen:3: \"c\"", "no such"}},
        {HEAD "value v = words 900\n", {"a.screen:3: 900", "from 1 to 63"}},
        {HEAD "value v = words 3 sample \"abcd\"\n", {"a.screen:3: \"abcd\"", "at most 3"}},
        {HEAD "value v = switch sample yes\n", {"a.screen:3: yes", "on or off"}},
        {HEAD "value v = series 1 of 0 to 9\n", {"a.screen:3: 1", "from 2 to 256"}},
        {HEAD "value v = series 9 of 0 to 99999\n", {"a.screen:3: v", "within -32768"}},
        {HEAD "value v = number 0 to 9 sample column c of \"no.csv\"\n",
         {"a.screen:3: cannot read ./no.csv", "No such file"}},
        {HEAD "value v = clock\nbar v in 0 0 9 x 9 scale 0 to 1\n",
         {"a.screen:4: bar v", "number"}},
        {HEAD "value v = number 0 to 9\nbar v in 0 0 9 x 9\n", {"a.screen:4: bar", "its scale"}},
        {HEAD "value v = number 0 to 9\nbar v scale 0 to 9\n", {"a.screen:4: bar", "its box"}},
        {HEAD "value v = number 0 to 9\nbar v in 0 0 9 x 9 scale 9 to 0\n",
         {"a.screen:4: scale", "below its end"}},
        {HEAD "value v = number 0 to 9\nbar v in 0 0 9 x 9 scale 0 to 9 warn to 4 alarm to 3\n",
         {"a.screen:4: zones must rise", ""}},
        {HEAD "value v = number -2147483000 to 2147483000\n", {"a.screen:3: v", "span less"}},
        {HEAD "value v = series 9 of 0 to 9\ncurve v in 0 0 9 x 9 scale 0 to 40000 fill red\n",
         {"a.screen:4: scale", "32767"}},
        {HEAD "value v = number 0 to 9\nbar v in 0 0 9 x 9 scale 0 to 9 warn to 4 alarm to 4\n",
         {"a.screen:4: zones must rise", ""}},
        {HEAD "value v = number 0 to 9\nlamp v in 0 0 9 x 9\n", {"a.screen:4: lamp v", "switch"}},
        {HEAD "value v = number 0 to 9\ncurve v in 0 0 9 x 9 scale 0 to 9 fill red\n",
         {"a.screen:4: curve v", "series"}},
        {HEAD "value v = number 0 to 9\ntext \"x\" at 0 0 when v ~ 3\n",
         {"a.screen:4: when v", "<="}},
        {HEAD "value v = number 0 to 9\ntext \"x\" at 0 0 when v > 12\n",
         {"a.screen:4: 12", "0 to 9"}},
        {HEAD "value v = words 4\ntext \"x\" at 0 0 when v = 1\n",
         {"a.screen:4: when v", "compared"}},
        {HEAD "button b in 0 0 9 x 9 goes away\n", {"a.screen:3: away", "page away above"}},
        {HEAD "key left goes away\n", {"a.screen:3: left", "ok, back, up or down"}},
        {HEAD "key ok presses b\n", {"a.screen:3: b", "no button"}},
        {HEAD "page 3d\n", {"a.screen:3: 3d", "name of a page"}},
        {HEAD "only blue\n", {"a.screen:3: blue", "mono, grey, colour"}},
        {HEAD "only\n", {"a.screen:3: only", "expected all"}},
        {HEAD "rect 0 0 1 x 1 fill 5x 0% 0%\n", {"a.screen:3: 5x", "percentages"}},
        {HEAD "rect 0 0 1 x 1 fill -5% 0% 0%\n", {"a.screen:3: -5%", "percentages"}},
        {HEAD "rect 0 0 1 x 1 fill 5% 0% x%\n", {"a.screen:3: x%", "percentages"}},
        {HEAD "color c = #-12345\n", {"a.screen:3: #-12345", "six hex digits"}},
        {HEAD "color c = #0x1234\n", {"a.screen:3: #0x1234", "six hex digits"}},
        {HEAD "color c = #12345g\n", {"a.screen:3: #12345g", "six hex digits"}},
        {HEAD "color c =\n", {"a.screen:3: the end of the line", "expected a colour"}},
        {HEAD "ground\n", {"a.screen:3: the end of the line", "expected a colour"}},
        {HEAD "ground \"red\"\n", {"a.screen:3: red", "expected a colour"}},
        {HEAD "font f\n", {"a.screen:3: the end of the line", "expected ="}},
        {HEAD "font f =\n", {"a.screen:3: the end of the line", "name of a font"}},
        {HEAD "font f = 5x7 else\n", {"a.screen:3: the end of the line", "name of a font"}},
        {HEAD "font f = 5x7 else f\n", {"a.screen:3: else f", "another font than f itself"}},
        {HEAD "font f = \"" FONT "\" size 12 characters\n",
         {"a.screen:3: the end of the line", "characters in quotes"}},
        {HEAD "font f = \"" FONT "\" size 12 blue\n",
         {"a.screen:3: blue", "expected soft, characters"}},
        {HEAD "theme t = night font\n", {"a.screen:3: the end of the line", "name of a font"}},
        {HEAD "theme t = night font 9x9\n", {"a.screen:3: 9x9", "no font has that name"}},
        {HEAD "value v = number 0 to 9\npicture v \"a.png\" at 0 0\n",
         {"a.screen:4: picture v", "a choice or a switch"}},
        {HEAD "value c = choice \"a\" \"b\"\npicture c \"a.png\" at 0 0\n",
         {"a.screen:4: picture", "2 files, one for each choice"}},
        {HEAD "value c = choice \"a\" \"b\"\npicture c at 0 0\n",
         {"a.screen:4: picture", "expected a file"}},
        {HEAD "picture nope \"a.png\" at 0 0\n", {"a.screen:3: nope", "write value nope"}},
        {HEAD "picture \"no.png\" size 3 x 3\n", {"a.screen:3: picture", "at X Y"}},
        {HEAD "value v = number 0 to 9\nbar v in 0 0 9 x 9 scale 4 to 4\n",
         {"a.screen:4: scale", "below its end"}},
        {HEAD "value v = number 0 to 9\nbar v in 0 0 9 x 9 scale 0 to 9 good to\n",
         {"a.screen:4: the end of the line", "where the zone ends"}},
        {HEAD "value v = number 0 to 9\nbar v in 0 0 9 x 9 scale 0 to 9 good 4\n",
         {"a.screen:4: 4", "expected to"}},
        {HEAD "value s = series 9 of 0 to 9\nbar s in 0 0 9 x 9 scale 0 to 9\n",
         {"a.screen:4: bar s", "a value that is a number"}},
        {HEAD "value w = words 4\ndial w in 0 0 40 x 40 scale 0 to 9\n",
         {"a.screen:4: dial w", "a value that is a number"}},
        {HEAD "value v = number 0 to 9\ntext \"x\" at 0 0 when v\n", {"a.screen:4: when v", "<="}},
        {HEAD "value v = number 0 to 9\ntext \"x\" at 0 0 when v =\n",
         {"a.screen:4: the end of the line", "a whole number"}},
        {HEAD "value v = number 0 to 9\ntext \"x\" at 0 0 when w = 3\n",
         {"a.screen:4: w", "write value w"}},
        {HEAD "value s = series 9 of 0 to 9\ntext \"x\" at 0 0 when s = 3\n",
         {"a.screen:4: when s", "cannot be compared"}},
        {HEAD "value c = choice \"a\" \"b\"\ntext \"x\" at 0 0 when c = \"q\"\n",
         {"a.screen:4: \"q\"", "c has no such choice"}},
        {HEAD "value v = number 0 to 9\nslider v in 0 0 60 x 30 scale 0 to 9 step 0\n",
         {"a.screen:4: step", "more than 0"}},
        {HEAD "value v = number 0 to 9\nslider v in 0 0 60 x 30 scale 0 to 9 step -1\n",
         {"a.screen:4: step", "more than 0"}},
        {HEAD "value v = number 4 to 4\n", {"a.screen:3: v", "must rise"}},
        {HEAD "value v = number -99999999999 to 0\n", {"a.screen:3: -99999999999", "the least"}},
        {HEAD "value v = number 0 to 1234567890123\n", {"a.screen:3: 1234567890123", "the most"}},
        {HEAD "value v = number 0 to 1.2.3 decimals 2\n", {"a.screen:3: 1.2.3", "2 digits"}},
        {HEAD "value v = number . to 9\n", {"a.screen:3: .", "the least"}},
        {HEAD "value v = number 0 to -\n", {"a.screen:3: -", "the most"}},
        {HEAD "value v = number 0 9\n", {"a.screen:3: 9", "expected to"}},
        {HEAD "value v = clock sample 12:60\n", {"a.screen:3: 12:60", "07:30"}},
        {HEAD "value v = clock or\n", {"a.screen:3: the end of the line", "expected none"}},
        {HEAD "value v = choice \"a\" b\n", {"a.screen:3: choice", "two or more"}},
        {HEAD "value a2345678901234567890123456789012 = switch\n",
         {"a.screen:3: a2345678901234567890123456789012", "up to 31 letters"}},
        {HEAD "value \xC3\xA9 = switch\n", {"a.screen:3: \xC3\xA9", "beginning with a letter"}},
        {HEAD "value a\xC3\xA9 = switch\n", {"a.screen:3: a\xC3\xA9", "letters, digits and _"}},
        {HEAD "value a-b = switch\n", {"a.screen:3: a-b", "letters, digits and _"}},
        {HEAD "page a b\n", {"a.screen:3: b", "not known here"}},
        {HEAD "key\n", {"a.screen:3: the end of the line", "ok, back, up or down"}},
        {HEAD "key ok jumps\n", {"a.screen:3: jumps", "goes PAGE or presses BUTTON"}},
        {HEAD "key ok goes p\n", {"a.screen:3: p", "write page p above"}},
        {HEAD "text \"{}\" at 0 0\n", {"a.screen:3: {}", "the name of a value"}},
        {HEAD "text \"a\" at 0 0 ink\n", {"a.screen:3: the end of the line", "expected a colour"}},
        {HEAD "circle 4 4 radius 5\n", {"a.screen:3: circle", "fill or stroke"}},
        {HEAD "value s = series 9 of 0 to 9\ncurve s in 0 0 9 x 9 scale 0 to 9 fill red mark v at "
              "s red\n",
         {"a.screen:4: v", "write value v"}},
        {HEAD "value w = words 4 sample 7\n", {"a.screen:3: 7", "w in quotes"}},
        {HEAD "text \"\x01\" at 0 0\nground \x02\n", {"a.screen:4: a control character (02)", ""}},
    };
    struct jl_complaint complaint;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_screen *screen = read_text(rows[i].text, &complaint);
        test_row("%s", rows[i].text);
        EXPECT(screen == NULL);
        EXPECT_CONTAINS(complaint.text, rows[i].says[0]);
        EXPECT_CONTAINS(complaint.text, rows[i].says[1]);
        jl_screen_free(screen);
    }
    const struct jl_screen_glass other = {.width = 240, .height = 320};
    EXPECT(!jl_screen_read_text("a", HEAD, strlen(HEAD), &other, &complaint));
    EXPECT_CONTAINS(complaint.text, "other glass than 240 x 320");
    EXPECT(!jl_screen_read("/no/such.screen", &any_mono, &complaint));
    EXPECT_CONTAINS(complaint.text, "/no/such.screen: No such file");
}

/* More than a sheet has room for: a line again and again, with its number for #. */
static void too_much_is_told(void) {
    static const struct {
        const char *begin, *line;
        int times;
        const char *says;
    } rows[] = {
        {"", "color c# = red\n", 49, "a sheet has at most 48 colours"},
        {"", "font f# = 5x7\n", 17, "a sheet has at most 16 fonts"},
        {"", "theme t# = night\n", 9, "a sheet has at most 8 themes"},
        {"", "value v# = switch\n", 65, "a sheet has at most"},
        {"", "page p#\n", 13, "at most 12"},
        {"page p\n", "key ok goes p\n", 13, "a sheet has at most 12 keys"},
        {"glass 1 x 1", ", 9 x 1#", 13, "at most 12"},
        {"value v = number 0 to 9\nbar v in 0 0 9 x 9 scale 0 to 9", " good to #", 5,
         "at most 4 zones"},
        {"line 1 1", " to 1 1", 40, "a line has at most 96 words"},
        {"", "a", 200, "a word has at most 159 bytes"},
        {"", "rect # 0 1 x 1 fill red\n", 241, "at most"},
        {"value v = choice", " \"c#\"", 13, "at most 12 choices"},
        {"value v = choice \"a\" \"and this is longer than any choice can be #", "\"", 1,
         "at most 12 choices of 31 bytes"},
        {"font a = 5x7", " else 6x8", 5, "at most 4 other fonts"},
        {"line", " # 0 to", 13, "a line has at most 12 points"},
    };
    struct jl_complaint complaint;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char text[8000];
        size_t length = (size_t)snprintf(text, sizeof text, HEAD "%s", rows[i].begin);
        for (int line = 0; line < rows[i].times; line++) {
            const char *number = strchr(rows[i].line, '#');
            int before = number ? (int)(number - rows[i].line) : (int)strlen(rows[i].line);
            length +=
                (size_t)snprintf(text + length, sizeof text - length, "%.*s", before, rows[i].line);
            if (number) {
                length +=
                    (size_t)snprintf(text + length, sizeof text - length, "%d%s", line, number + 1);
            }
        }
        test_row("%s%s %d times", rows[i].begin, rows[i].line, rows[i].times);
        EXPECT(length < sizeof text - 1);
        struct jl_screen *screen = read_text(text, &complaint);
        EXPECT(screen == NULL);
        EXPECT_CONTAINS(complaint.text, rows[i].says);
        jl_screen_free(screen);
    }
}

static void keep(const char *name, const char *text) {
    FILE *stream = fopen(shell_path(name), "w");
    if (EXPECT(stream)) {
        EXPECT(fputs(text, stream) >= 0);
        EXPECT_INT(fclose(stream), 0);
    }
}

/* Samples of a file: what is in it, and what a line of the sheet says of it. */
static void samples_of_files(void) {
    static const struct {
        const char *csv, *value, *says; /* NULL: it is read */
    } rows[] = {
        {"a,b\n1,2\n3,4\n", "number 0 to 9 sample column b of \"s.csv\"", NULL},
        {"a,b\n1,2\n3,4\n", "number 0 to 9 sample column b of \"s.csv\" every 2", NULL},
        {"a;b\n1;2\n", "number 0 to 9 sample column b of \"s.csv\"", "has no column b"},
        {"a, \"b\" \n1, 25\n\n", "number 0 to 9.9 decimals 1 sample column b of \"s.csv\" whole",
         NULL},
        {"a,b\n1,2\n3\n", "number 0 to 9 sample column b of \"s.csv\"",
         "s.csv:3: there is no column b in this row"},
        {"a,b\n1,2\n3,12\n", "number 0 to 9 sample column b of \"s.csv\"", "s.csv:3: 12"},
        {"a,b\n", "number 0 to 9 sample column b of \"s.csv\"", "has no row below its first line"},
        {"", "number 0 to 9 sample column b of \"s.csv\"", "has no column b in its first line"},
        {"a,c\n1,2\n", "number 0 to 9 sample column b of \"s.csv\"", "has no column b"},
        {"a,b\n1,2\n", "number 0 to 9 sample column b of \"s.csv\" every 0", "from 1 to 10000"},
        {"a,b\n1,2\n", "words 3 sample column b of \"s.csv\"", "words have one sample, in quotes"},
        {"a,b\n1,2\n", "number 0 to 9 sample column b of \".\"", "expected a file of up to"},
        {"a,b\n1,2\n", "number 0 to 9 sample column b", "column height_cm of"},
        {"a,b\n1,2\n", "number 0 to 9 sample column b of s.csv", "in quotes"},
        {"a,b\n1,2\n", "number 0 to 9 sample column", "the name of a column"},
        {"h,b\nx,on\ny,off\n", "switch sample column b of \"s.csv\"", NULL},
        {"h,b\nx,up\n", "choice \"up\" \"down\" sample column b of \"s.csv\"", NULL},
        {"h,b\nx,left\n", "choice \"up\" \"down\" sample column b of \"s.csv\"", "no such"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char sheet[300];
        struct jl_complaint complaint = {""};
        snprintf(sheet, sizeof sheet, HEAD "value v = %s\n", rows[i].value);
        keep("s.csv", rows[i].csv);
        keep("a.screen", sheet);
        struct jl_screen *screen = jl_screen_read(shell_path("a.screen"), &any_mono, &complaint);
        test_row("%s: %s", rows[i].csv, rows[i].value);
        EXPECT_INT(screen != NULL, rows[i].says == NULL);
        EXPECT_CONTAINS(complaint.text, rows[i].says ? rows[i].says : "");
        jl_screen_free(screen);
    }
    shell_end();
}

/* What is right as words, and still not what anybody wants. */
static void findings_are_told(void) {
    static const struct {
        const char *text, *says; /* NULL: nothing is to be found */
    } rows[] = {
        {"rect 0 0 128 x 64 fill red\n", NULL},
        {"rect 1 0 128 x 64 fill red\n", "a.screen:3: rect: it reaches 1 pixel past the right"},
        {"circle 10 20 radius 12 fill red\n", "reaches 2 pixels past the left edge"},
        {"line 0 0 to 20 64\n", "1 pixel past the lower edge"},
        {"line 10 1 to 20 1 width 4\n", "reaches 2 pixels past the upper edge"},
        {"line 10 1 to 20 1 width 1\n", NULL},
        {"line 10 0 to 20 0 smooth\n", "reaches 1 pixel past the upper edge"},
        {"text \"abcd\" in 0 0 24 x 8\n", NULL},
        {"text \"abcde\" in 0 0 24 x 8\n", "it needs up to 30 pixels, and the box is 24 wide"},
        {"text \"a\" in 0 0 24 x 7\n", "the font is 8 pixels high, and the box 7"},
        {"text \"a b c d\" in 0 0 18 x 16 wrap\n", NULL},
        {"text \"a b c d e\" in 0 0 18 x 16 wrap\n", "wrapped it needs 18 x 24 pixels"},
        {"value v = number 0 to 9\ntext \"{v}\" in 0 0 6 x 8\n", NULL},
        {"value v = number -9 to 9\ntext \"{v}\" in 0 0 6 x 8\n", "it needs up to 12 pixels"},
        {"value v = number 0 to 9.9 decimals 1\ntext \"{v}\" in 0 0 12 x 8\n", "up to 18 pixels"},
        {"value v = choice \"a\" \"abc\"\ntext \"{v}\" in 0 0 12 x 8\n", "up to 18 pixels"},
        {"text \"abc\" at 120 0\n", "10 pixels past the right edge"},
        {"text \"abc\" at 120 0 right\n", NULL},
        {"text \"\xCE\xA9\" at 0 0\n", "font 6x8 lacks 1 character that the screen shows: U+03A9"},
        {"text \"\xCE\xA9\" at 0 0 font 5x7\n", NULL},
        {"font f = 5x7 else icons12\ntext \"\xEE\x80\x80\" at 0 0 font f\n", NULL},
        {"text \"ab\" at 0 0\ntext \"cd\" at 6 4\n",
         "a.screen:4: text: it lies over the text of line 3"},
        {"text \"ab\" at 0 0\nrect 4 4 4 x 4 fill red\n", "rect: it lies over the text of line 3"},
        {"rect 0 0 20 x 20 fill red\ntext \"ab\" at 0 0\n", NULL},
        {"page a\nground red\ntext \"ab\" at 0 0\npage b\nground red\ntext \"cd\" at 0 0\n", NULL},
        {"value v = switch\ntext \"ab\" at 0 0 when v = on\ntext \"cd\" at 0 0 when v = off\n",
         NULL},
        {"value v = number 0 to 9\ntext \"ab\" at 0 0 when v > 4\ntext \"cd\" at 0 0 when v <= 4\n",
         NULL},
        {"value v = number 0 to 9\ntext \"ab\" at 0 0 when v > 4\ntext \"cd\" at 0 0 when v <= 5\n",
         "it lies over"},
        {"value w = words 4\ntext \"{w}\" at 120 0 right\n", NULL},
        {"value w = words 4\ntext \"{w}\" at 0 60\n", "text: it reaches 4 pixels past the lower"},
        {"value w = words 4\ntext \"{w}\" at 0 0\ntext \"a\" at 90 0\n", NULL},
        {"value w = words 4\ntext \"a\" at 90 0\ntext \"{w}\" at 0 0\n", NULL},
        {"value w = words 4\ntext \"{w}\" in 0 0 40 x 8\ntext \"a\" at 9 0\n", "it lies over"},
        {"value v = switch\n", "value v: no item shows it"},
        {"value v = number 0 to 99999\ndigits v in 0 0 100 x 20\n",
         "it needs up to 5 places, and has 4"},
        {"value v = number 0 to 99999\nnumber v in 0 0 30 x 30\n", "number v: it needs up to"},
    };
    struct jl_complaint complaint;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char text[600];
        const char *const *list;
        snprintf(text, sizeof text, HEAD "%s", rows[i].text);
        struct jl_screen *screen = read_text(text, &complaint);
        test_row("%s", rows[i].text);
        if (!EXPECT(screen != NULL)) {
            printf("%s\n", complaint.text);
            continue;
        }
        size_t count = jl_screen_findings(screen, &list);
        EXPECT_INT((long long)count, rows[i].says ? 1 : 0);
        if (count && rows[i].says) {
            EXPECT_CONTAINS(list[0], rows[i].says);
        } else if (count) {
            printf("    %s\n", list[0]);
        }
        jl_screen_free(screen);
    }
}

/* Lines of other variants are passed over, mistakes in them, too. */
static void variants(void) {
    static const char text[] = "screen s\nglass 8 x 8, 16 x 8\nonly mono\npage mono\nonly grey\n"
                               "page grey\nonly colour\npage colour\nonly 16 x 8\npage wide\n"
                               "only 8 x 8 mono grey\npage small\nonly 9 x 9\nfrob\nonly all\n"
                               "page last\n";
    static const struct {
        struct jl_screen_glass glass;
        const char *pages[4];
    } rows[] = {
        {{0, 0, JL_SCREEN_MONO}, {"mono", "small", "last", NULL}},
        {{8, 8, JL_SCREEN_GREY}, {"grey", "small", "last", NULL}},
        {{8, 8, JL_SCREEN_COLOR}, {"colour", "last", NULL}},
        {{16, 8, JL_SCREEN_GREY}, {"grey", "wide", "last", NULL}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_complaint complaint = {""};
        struct jl_screen *screen =
            jl_screen_read_text("a", text, strlen(text), &rows[i].glass, &complaint);
        int count = 0;
        test_row("variant %zu", i);
        if (!EXPECT(screen != NULL)) {
            continue;
        }
        for (; rows[i].pages[count] && count < jl_screen_page_count(screen); count++) {
            EXPECT_TEXT(jl_screen_page_name(screen, count), rows[i].pages[count]);
        }
        EXPECT(rows[i].pages[count] == NULL);
        EXPECT_INT(jl_screen_page_count(screen), count);
        jl_screen_free(screen);
    }
}

/* Words as long as may be; a key that presses a button of a page without a ground. */
static void words_and_keys(void) {
    static struct jl_screen_state state;
    struct jl_complaint complaint;
    struct jl_screen *screen = read_text(
        HEAD "value w = words 3 sample \"abc\"\npage one\npage two\npage one\n"
             "text \"{w}\" in 0 0 30 x 8\nbutton b in 0 20 50 x 20 goes two\nkey ok presses b\n",
        &complaint);
    if (!EXPECT(screen != NULL)) {
        return;
    }
    jl_screen_sample(screen, 0, &state);
    EXPECT_TEXT(state.words[0], "abc");
    EXPECT(!jl_screen_set(screen, "w", "abcd", &state, &complaint));
    EXPECT(jl_screen_set(screen, "w", "xyz", &state, &complaint));
    EXPECT_TEXT(state.words[0], "xyz");
    EXPECT(jl_screen_event(screen, &(struct jl_event){.kind = JL_EVENT_KEY, .which = JL_KEY_OK},
                           &state));
    EXPECT_INT(state.page, 1);
    jl_screen_free(screen);
}

/* ---- pictures ---- */

static const struct jl_format *const formats[] = {&jl_mono_columns, &jl_grey4, &jl_rgb565};
enum { MOST_BYTES = 240 * 320 * 2 };

static void make_frame(struct jl_frame *frame, const struct jl_screen *screen, uint8_t *pixels) {
    struct jl_screen_glass glass = jl_screen_glass(screen);
    EXPECT_INT(jl_frame_init(frame, formats[glass.colors], (int16_t)glass.width,
                             (int16_t)glass.height, pixels, MOST_BYTES),
               JL_OK);
}

/* The sheet of the quay gauge against the view that was written by hand. */
static void quay_gauge_as_by_hand(void) {
    static struct jl_screen_state state;
    static uint8_t pixels[MOST_BYTES], expected[MOST_BYTES];
    struct jl_complaint complaint;
    struct jl_frame frame, by_hand;
    struct jl_screen *screen =
        jl_screen_read(DEMO "/screens/quay-gauge.screen", &any_mono, &complaint);
    if (!EXPECT(screen != NULL)) {
        return;
    }
    const char *const *list;
    EXPECT_INT((long long)jl_screen_findings(screen, &list), 0);
    make_frame(&frame, screen, pixels);
    make_frame(&by_hand, screen, expected);
    EXPECT_INT(jl_screen_sample_count(screen), 144);
    for (int step = 0; step < 144; step++) {
        jl_screen_sample(screen, step, &state);
        int32_t *number = state.numbers;
        struct quay_reading reading = {.minute = number[0], .height_cm = number[1]};
        number[2] = step % 3;
        reading.trend = number[2] == 0 ? TIDE_SLACK : number[2] == 1 ? TIDE_RISING : TIDE_FALLING;
        number[3] = reading.next_high_minute = step % 5 ? step * 10 : -1;
        number[4] = reading.next_high_cm = step * 6;
        jl_screen_draw(screen, &state, &frame.target);
        jl_clear(&by_hand.target, JL_BLACK);
        quay_gauge_draw(&by_hand.target, &reading);
        test_row("sample %d", step);
        EXPECT_BYTES(pixels, expected, 1024);
    }
    jl_screen_free(screen);
}

/* ---- the C ---- */

static void random_state(const struct jl_screen *screen, struct test_random *random,
                         struct jl_screen_state *state) {
    for (int i = 0; i < jl_screen_value_count(screen); i++) {
        struct jl_screen_value value = jl_screen_value(screen, i);
        if (test_random_between(random, 0, 2) == 0) {
            continue; /* some stay as they are */
        }
        switch (value.kind) {
        case JL_SCREEN_WORDS:
            memset(state->words[i], 0, sizeof state->words[i]);
            for (int k = test_random_between(random, 0, value.count); k > 0; k--) {
                state->words[i][k - 1] = (char)test_random_between(random, ' ', '~');
            }
            break;
        case JL_SCREEN_SERIES:
            for (int k = 0; k < value.count; k++) {
                state->series[i][k] = (int16_t)test_random_between(random, value.least, value.most);
            }
            break;
        default:
            state->numbers[i] = test_random_between(random, value.least, value.most);
            break;
        }
    }
    if (test_random_between(random, 0, 3) == 0) {
        state->page = test_random_between(random, 0, jl_screen_page_count(screen) - 1);
    }
}

struct baked_case {
    const char *sheet, *card; /* the card's panel for bands and direct; NULL: frames only */
    struct jl_screen_glass glass;
    bool has_events;
};

/* A card's panel, and what draws on it. */
static void draw_by_bands(struct jl_rig *rig, const struct screen_shim *shim) {
    static uint8_t memory[4096];
    struct jl_bands bands;
    (void)jl_bands_begin(&bands, &rig->panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        shim->draw(&bands.frame.target);
    }
    EXPECT_INT(jl_bands_end(&bands), JL_OK);
}

static bool is_lit(const struct jl_picture *picture) {
    int lit = 0;
    for (int i = 0; i < picture->width * picture->height * 3; i++) {
        lit += picture->rgb[i] > 0;
    }
    return lit > 100;
}

static void expect_on_panels(const struct baked_case *one, const struct jl_screen *screen,
                             const struct screen_shim *shim, struct jl_screen_state *state) {
    static struct jl_card card;
    static struct jl_rig rig, other; /* large */
    static uint8_t buffers[2][4096];
    struct jl_complaint complaint = {""};
    struct jl_direct direct, expected_direct;
    struct jl_picture seen, expected;
    struct test_random random = {77};
    EXPECT(jl_card_find(one->card, &card, &complaint));
    EXPECT(jl_rig_open(&rig, &card, &complaint) && jl_rig_open(&other, &card, &complaint));
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    EXPECT_INT(jl_rig_wake(&other), JL_OK);
    jl_board_wait_ps(rig.board, 200000000000); /* the light comes up */
    jl_board_wait_ps(other.board, 200000000000);
    for (int i = 0; i < 3; i++) {
        random_state(screen, &random, state);
        screen_shim_state(shim, screen, state);
        jl_screen_draw(screen, state, &rig.frame.target);
        EXPECT_INT(jl_rig_present(&rig), JL_OK);
        draw_by_bands(&other, shim);
        EXPECT(jl_rig_look(&rig, &expected) && jl_rig_look(&other, &seen));
        EXPECT_PICTURE(&seen, &expected, "screen-bands");
        EXPECT(is_lit(&seen));
        jl_picture_free(&seen);
        jl_picture_free(&expected);
    }
    /* Where columns are addressed in pairs there is no drawing on the panel itself. */
    if (one->glass.colors == JL_SCREEN_GREY) {
        jl_rig_close(&rig);
        jl_rig_close(&other);
        return;
    }
    EXPECT_INT(jl_direct_init(&direct, &other.panel, buffers[0], sizeof buffers[0]), JL_OK);
    EXPECT_INT(jl_direct_init(&expected_direct, &rig.panel, buffers[1], sizeof buffers[1]), JL_OK);
    shim->zero();
    for (int i = 0; i < 6; i++) {
        random_state(screen, &random, state);
        screen_shim_state(shim, screen, state);
        jl_screen_draw(screen, state, &expected_direct.target);
        shim->draw(&direct.target);
        EXPECT_INT(direct.status, JL_OK);
        EXPECT_INT(expected_direct.status, JL_OK);
        EXPECT(jl_rig_look(&rig, &expected) && jl_rig_look(&other, &seen));
        EXPECT_PICTURE(&seen, &expected, "screen-direct");
        jl_picture_free(&seen);
        jl_picture_free(&expected);
    }
    jl_rig_close(&rig);
    jl_rig_close(&other);
}

static void expect_same(const struct baked_case *one, const char *folder) {
    static struct jl_screen_state state;
    static uint8_t pixels[MOST_BYTES], drawn[MOST_BYTES], updated[MOST_BYTES];
    struct jl_complaint complaint = {""};
    struct screen_shim shim;
    static struct jl_screen_state shown;
    static uint8_t previewed[MOST_BYTES];
    struct jl_frame frame, by_draw, by_update, by_preview;
    struct test_random random = {0x1234567};
    struct jl_screen *screen = jl_screen_read(one->sheet, &one->glass, &complaint);
    if (!EXPECT(screen != NULL) || !screen_shim_load(&shim, screen, folder, one->has_events)) {
        printf("%s\n", complaint.text);
        jl_screen_free(screen);
        return;
    }
    memset(updated, 0, sizeof updated);
    memset(previewed, 0, sizeof previewed);
    make_frame(&frame, screen, pixels);
    make_frame(&by_draw, screen, drawn);
    make_frame(&by_update, screen, updated);
    make_frame(&by_preview, screen, previewed);
    jl_screen_sample(screen, 0, &state);
    shown = state;
    jl_screen_draw(screen, &state, &by_preview.target);
    shim.zero();
    EXPECT(shim.bytes() <= shim.cost.most_ram_bytes + shim.cost.most_ram_bytes / 2 + 64);
    for (int i = 0; i < test_cases(400); i++) {
        random_state(screen, &random, &state);
        screen_shim_state(&shim, screen, &state);
        memset(pixels, 0, sizeof pixels);
        memset(drawn, 0, sizeof drawn);
        jl_screen_draw(screen, &state, &frame.target);
        shim.draw(&by_draw.target);
        shim.update(&by_update.target);
        test_row("%s, state %d", one->sheet, i);
        EXPECT_BYTES(drawn, pixels, sizeof pixels);
        EXPECT_BYTES(updated, pixels, sizeof pixels);
        jl_screen_update(screen, &shown, &state, &by_preview.target);
        shown = state;
        EXPECT_BYTES(previewed, pixels, sizeof pixels);
        /* Nothing changed: nothing is drawn. */
        memset(updated, 0x5A, sizeof updated);
        EXPECT(!shim.update(&by_update.target));
        EXPECT(updated[0] == 0x5A && !memcmp(updated, updated + 1, sizeof updated - 1));
        memcpy(updated, pixels, sizeof updated);
    }
    if (one->card) {
        expect_on_panels(one, screen, &shim, &state);
    }
    screen_shim_close(&shim);
    jl_screen_free(screen);
}

/* What is not there any more goes, without a ground in the sheet, too. */
static void what_is_gone_is_gone(void) {
    static struct jl_screen_state state, shown;
    static uint8_t pixels[MOST_BYTES];
    struct jl_complaint complaint;
    struct jl_frame frame;
    struct jl_screen *screen =
        read_text(HEAD "value v = switch sample on\nvalue n = number 0 to 9\n"
                       "rect 0 0 9 x 9 fill white when v = on\n"
                       "text \"{n}\" at 20 20\n",
                  &complaint);
    if (!EXPECT(screen != NULL)) {
        return;
    }
    make_frame(&frame, screen, pixels);
    memset(pixels, 0xFF, sizeof pixels); /* another page stood there */
    jl_screen_sample(screen, 0, &state);
    jl_screen_draw(screen, &state, &frame.target);
    EXPECT_INT(pixels[0], 0xFF); /* the white one; its ninth row is in the next byte */
    EXPECT_INT(pixels[100], 0);
    for (int i = 0; i < 10; i++) {
        static uint8_t whole[MOST_BYTES];
        struct jl_frame fresh;
        shown = state;
        state.numbers[0] = i & 1;
        state.numbers[1] = i;
        jl_screen_update(screen, &shown, &state, &frame.target);
        make_frame(&fresh, screen, whole);
        jl_screen_draw(screen, &state, &fresh.target);
        EXPECT_INT(whole[0], i & 1 ? 0xFF : 0);
        EXPECT_BYTES(pixels, whole, 1024);
    }
    jl_screen_free(screen);
}

static void the_c_draws_the_same(void) {
    static const struct baked_case cases[] = {
        {DEMO "/screens/quay-gauge.screen", "ssd1306-128x64-i2c", {0, 0, JL_SCREEN_MONO}, false},
        {DEMO "/screens/tide-board.screen", "st7789-240x320-spi", {0, 0, JL_SCREEN_COLOR}, false},
        {SHEETS "/everything.screen", NULL, {240, 200, JL_SCREEN_COLOR}, true},
        {SHEETS "/everything.screen", NULL, {240, 200, JL_SCREEN_MONO}, true},
        {SHEETS "/everything.screen", "ssd1327-128x128-spi", {128, 128, JL_SCREEN_GREY}, true},
        {SHEETS "/still.screen", NULL, {128, 64, JL_SCREEN_MONO}, true},
        {SHEETS "/still.screen", NULL, {128, 64, JL_SCREEN_COLOR}, true},
        {SHEETS "/wide.screen", NULL, {240, 200, JL_SCREEN_COLOR}, true},
        {SHEETS "/wide.screen", NULL, {240, 200, JL_SCREEN_MONO}, true},
        {SHEETS "/bare.screen", NULL, {72, 40, JL_SCREEN_COLOR}, false},
        {SHEETS "/button.screen", NULL, {72, 40, JL_SCREEN_COLOR}, true},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof cases / sizeof cases[0]; i++) {
        char folder[20];
        snprintf(folder, sizeof folder, "case-%zu", i);
        expect_same(&cases[i], folder);
    }
    shell_end();
}

/* Buttons, sliders and keys do the same in the preview and in the C. */
static void hands_do_the_same(void) {
    static struct jl_screen_state state;
    const struct jl_screen_glass glass = {240, 200, JL_SCREEN_COLOR};
    struct jl_complaint complaint = {""};
    struct screen_shim shim;
    struct jl_screen *screen = jl_screen_read(SHEETS "/everything.screen", &glass, &complaint);
    shell_begin();
    if (EXPECT(screen != NULL) && screen_shim_load(&shim, screen, "hands", true)) {
        static const struct {
            struct jl_event event;
            int page;
            bool taken;
        } rows[] = {
            {{.kind = JL_EVENT_KEY, .which = JL_KEY_OK}, 2, true},
            {{.kind = JL_EVENT_KEY, .which = JL_KEY_UP}, 2, false},
            {{.kind = JL_EVENT_PRESS, .x = 140, .y = 10}, 2, true},
            {{.kind = JL_EVENT_TAP, .x = 140, .y = 10}, 0, true}, /* back */
            {{.kind = JL_EVENT_TAP, .x = 140, .y = 10}, 0, false},
            {{.kind = JL_EVENT_KEY, .which = JL_KEY_OK}, 2, true},
            {{.kind = JL_EVENT_KEY, .which = JL_KEY_BACK}, 0, true},
        };
        jl_screen_sample(screen, 0, &state);
        shim.zero();
        screen_shim_state(&shim, screen, &state);
        for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
            test_row("event %zu", i);
            jl_screen_event(screen, &rows[i].event, &state);
            shim.event(&rows[i].event);
            EXPECT_INT(state.page, rows[i].page);
            EXPECT_INT(shim.shown_page(), rows[i].page);
        }
        int gate = jl_screen_value_find(screen, "gate");
        state.page = 2;
        EXPECT(jl_screen_event(
            screen, &(struct jl_event){.kind = JL_EVENT_PRESS, .x = 150, .y = 60}, &state));
        EXPECT(state.numbers[gate] > 60 && state.numbers[gate] % 5 == 0);
        /* What is filled in is never written over. */
        EXPECT_INT(shell("echo '/* mine */' >hands/everything_events.c"), 0);
        struct jl_screen_cost cost;
        EXPECT(jl_screen_write(screen, shell_path("hands"), "again", &cost, &complaint));
        EXPECT(!cost.wrote_events);
        EXPECT_INT(shell("cat hands/everything_events.c"), 0);
        EXPECT_TEXT(output, "/* mine */\n");
        screen_shim_close(&shim);
    }
    jl_screen_free(screen);
    shell_end();
}

/* As a user types it. */
static void the_command_shows_and_bakes(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {" light ssd1306-128x64-i2c --screen " DEMO "/screens/quay-gauge.screen --no-wires", 0,
         "-film.png, while it changes"},
        {" light ssd1306-128x32-i2c --screen " DEMO "/screens/quay-gauge.screen", 2,
         "other glass than 128 x 32"},
        {" light hd44780-16x2-4bit --screen " DEMO "/screens/quay-gauge.screen", 2, "other glass"},
        {" light ssd1306-128x64-i2c --screen " DEMO "/screens/quay-gauge.screen --set height=99", 2,
         "height is from 0.00 to 9.99"},
        {" light ssd1306-128x64-i2c --screen " DEMO "/screens/quay-gauge.screen --set wide=9", 2,
         "no value of that name"},
        {" light ssd1306-128x64-i2c --screen " DEMO "/screens/quay-gauge.screen --set height", 2,
         "expected NAME=VALUE"},
        {" light ssd1306-128x64-i2c --screen " DEMO "/screens/quay-gauge.screen --page x", 2,
         "the sheet has main"},
        {" light ssd1306-128x64-i2c --page x", 2, "name it with --screen"},
        {" light ssd1306-128x64-i2c --text a --screen b", 2, "expected one of them"},
        {" light ssd1327-128x128-spi --screen " SHEETS "/everything.screen --no-wires", 1,
         "-pages.png, all pages"},
        {" light ssd1327-128x128-spi --screen " SHEETS "/everything.screen --no-wires --json", 1,
         "-pages.png\""},
        {" bake screen " DEMO "/screens/quay-gauge.screen --into out", 0, "bytes of RAM"},
        {" bake screen " DEMO "/screens/quay-gauge.screen --into out --json", 0,
         "\"most_ram_bytes\""},
        {" bake screen " DEMO "/screens/quay-gauge.screen --into out --cc 'cc -m64'", 0,
         "bytes of flash in all, by cc -m64 -Os"},
        {" bake screen " DEMO "/screens/quay-gauge.screen --into out --cc no-such-cc", 2,
         "no-such-cc did not compile quay_gauge.c"},
        {" bake screen " DEMO "/screens/quay-gauge.screen --into out --cc $(printf '%05000d' 0)", 2,
         "did not compile quay_gauge.c"},
        {" bake screen " DEMO "/screens/quay-gauge.screen --into out --cc 'cc -Dstatic=@'", 2,
         "cc -Dstatic=@ did not compile quay_gauge.c"},
        {" bake screen " SHEETS "/everything.screen --size 240x200 --into out", 1, "to fill in"},
        {" bake screen " SHEETS "/everything.screen --size 12", 2, "expected WxH"},
        {" bake screen " SHEETS "/everything.screen --size 12x12", 2, "other glass than 12 x 12"},
        {" bake screen " SHEETS "/everything.screen --colors blue", 2, "mono, grey or colour"},
        {" bake screen", 2, "name a sheet"},
        {" bake screen /no/such", 2, "cannot read the sheet /no/such"},
        {" bake screen " DEMO "/screens/quay-gauge.screen --into /proc/none", 2, "/proc/none"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[1000];
        snprintf(line, sizeof line, "%s%s", JADELAMP, rows[i].line);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell("JADELAMP_SHARE=/nowhere " JADELAMP " bake screen " DEMO
                     "/screens/quay-gauge.screen --into out --cc cc"),
               2);
    EXPECT_CONTAINS(output, "headers were not found: set JADELAMP_SHARE");
    EXPECT(shell_has("out/quay_gauge.c") && shell_has("out/everything_events.c"));
    EXPECT(!shell_has("everything.c")); /* what was refused left nothing */
    shell_end();
}

/* Words of sheets in any order, cut and spoiled: refused or read, and never worse. */
static void any_words(void) {
    static char text[20000];
    struct test_random random = {99};
    FILE *file = fopen(SHEETS "/everything.screen", "r");
    size_t whole = file ? fread(text, 1, sizeof text, file) : 0;
    EXPECT(whole > 2000);
    if (file) {
        fclose(file);
    }
    static char spoiled[20000];
    int refused = 0;
    for (int i = 0; i < test_cases(600); i++) {
        size_t bytes = whole;
        memcpy(spoiled, text, whole);
        for (int k = test_random_between(&random, 1, 6); k > 0; k--) {
            size_t at = (size_t)test_random_between(&random, 0, (int)bytes - 1);
            switch (test_random_between(&random, 0, 3)) {
            case 0:
                spoiled[at] = (char)test_random_between(&random, 1, 255);
                break;
            case 1: /* a piece goes */
                memmove(spoiled + at, spoiled + at + (bytes - at) / 50,
                        bytes - at - (bytes - at) / 50);
                bytes -= (bytes - at) / 50;
                break;
            case 2:
                spoiled[at] = "0123456789 \n\"{};="[test_random_between(&random, 0, 16)];
                break;
            default:
                bytes = at > 100 ? at : bytes;
                break;
            }
        }
        const struct jl_screen_glass glass = {240, 200, JL_SCREEN_COLOR};
        struct jl_complaint complaint = {""};
        struct jl_screen *screen =
            jl_screen_read_text(SHEETS "/x", spoiled, bytes, &glass, &complaint);
        refused += screen == NULL;
        EXPECT((screen == NULL) == (complaint.text[0] != '\0'));
        jl_screen_free(screen);
    }
    EXPECT(refused > 20);
}

const struct test_group test_groups[] = {
    {"mistakes_are_told", mistakes_are_told},
    {"too_much_is_told", too_much_is_told},
    {"samples_of_files", samples_of_files},
    {"findings_are_told", findings_are_told},
    {"variants", variants},
    {"words_and_keys", words_and_keys},
    {"quay_gauge_as_by_hand", quay_gauge_as_by_hand},
    {"what_is_gone_is_gone", what_is_gone_is_gone},
    {"the_c_draws_the_same", the_c_draws_the_same},
    {"hands_do_the_same", hands_do_the_same},
    {"the_command_shows_and_bakes", the_command_shows_and_bakes},
    {"any_words", any_words},
    {NULL, NULL},
};
