/* Files of logic analysers, as their tools and people's scripts write them, and broken ones. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "harness.h"
#include "jadelamp/host/capture.h"
#include "jadelamp/host/file.h"
#include "shell.h"

/* "TIME_PS wire=LEVEL" of each item, one after the other; the complaint, if there is one. */
static const char *read_all(const char *path, const struct jl_capture_options *options) {
    static char text[4000];
    struct jl_complaint complaint = {""};
    struct jl_capture *capture = jl_capture_open(path, options, &complaint);
    const struct jl_capture_name *names = NULL;
    size_t count = capture ? jl_capture_names(capture, &names) : 0, length = 0;
    struct jl_capture_item item;
    enum jl_capture_step step = JL_CAPTURE_BAD;
    text[0] = '\0';
    while (capture && (step = jl_capture_next(capture, &item, &complaint)) == JL_CAPTURE_ITEM &&
           length + 200 < sizeof text) {
        const char *name = "?";
        for (size_t i = count; i > 0; i--) {
            name = names[i - 1].wire == item.wire ? names[i - 1].name : name;
        }
        const char *words = item.kind == JL_ITEM_START  ? "start"
                            : item.kind == JL_ITEM_STOP ? "stop"
                                                        : "byte";
        if (item.kind == JL_ITEM_LEVEL) {
            length += (size_t)snprintf(text + length, 200, "%llu %s=%s ",
                                       (unsigned long long)item.at_ps, name,
                                       !item.known ? "x"
                                       : item.high ? "1"
                                                   : "0");
        } else if (item.kind == JL_ITEM_BYTE) {
            length += (size_t)snprintf(text + length, 200, "%llu %02X dc%d @%d%s ",
                                       (unsigned long long)item.at_ps, item.value, item.data,
                                       item.address, item.refused ? " refused" : "");
        } else {
            length += (size_t)snprintf(text + length, 200, "%llu %s ",
                                       (unsigned long long)item.at_ps, words);
        }
    }
    if (step == JL_CAPTURE_BAD) {
        snprintf(text + length, sizeof text - length, "%s", complaint.text);
    }
    jl_capture_close(capture);
    return text;
}

static const char *read_text(const char *name, const char *content,
                             const struct jl_capture_options *options) {
    struct jl_complaint complaint;
    EXPECT(jl_file_put(shell_path(name), content, strlen(content), &complaint));
    return read_all(shell_path(name), options);
}

#define HEAD                                                                                       \
    "$timescale 1 ns $end $var wire 1 ! a $end $var wire 1 \" b $end $enddefinitions $end\n"

static void value_change_dumps(void) {
    static const struct {
        const char *content, *items;
    } rows[] = {
        {HEAD "#0 0! 1\" #5 1! #7 0\"", "0 a=0 0 b=1 5000 a=1 7000 b=0 "},
        {HEAD "#0\n$dumpvars\n0!\nx\"\n$end\n#3\nz!\n1\"\n", "0 a=0 0 b=x 3000 a=x 3000 b=1 "},
        {HEAD "#1 1! $comment #9 0! $end 0\" #2", "1000 a=1 1000 b=0 "},
        {HEAD "1! #4 0!", "0 a=1 4000 a=0 "}, /* before the first time: at 0 */
        {HEAD "#1 1? #2 0!", "2000 a=0 "},    /* not declared: nobody's */
        {HEAD "#1 r1.5 ! sabc ! 1\"", "1000 b=1 "},
        {"$date today $end $version some tool 1.0 $end $timescale 10us $end\n$scope module top "
         "$end\n$scope module bus $end $var wire 1 #a scl $end $upscope $end\n$var reg 1 #b cs "
         "$end $upscope $end $var wire 1 c rst $end\n$enddefinitions $end\n#2 1#a 0#b #3 1c",
         "20000000 top.bus.scl=1 20000000 top.cs=0 30000000 rst=1 "},
        {"$timescale 100 fs $end $var wire 1 ! a $end $enddefinitions $end #15 1!", "1 a=1 "},
        {"$timescale\n 1\n s\n$end $var wire 1 ! a $end $enddefinitions $end #2 1!",
         "2000000000000 a=1 "},
        {HEAD "#1 1! $comment without an end", "1000 a=1 "},
        {HEAD "#1 $dumpoff x! $end #2 $dumpall 1! $end", "1000 a=x 2000 a=1 "},
        {HEAD "#1 b1 \t! #2 bu !", "1000 a=1 2000 a=x "},
        /* wider than what is looked at: nobody's, whatever it is */
        {"$timescale 1 ns $end $var wire 65 w wide $end $var wire 1 ! a $end $enddefinitions $end "
         "#1 b1q w 1!",
         "1000 a=1 "},
        {"$timescale 1 ns $end $upscope $end $var string 1 s t $end $var wire 1 ! a $end "
         "$enddefinitions $end #1 sx s 1!",
         "1000 a=1 "},
        /* vectors: bits from the right; short ones are filled */
        {"$timescale 1 ps $end $var wire 4 d data [3:0] $end $enddefinitions $end #1 b1010 d",
         "1 data[0]=0 1 data[1]=1 1 data[2]=0 1 data[3]=1 "},
        {"$timescale 1 ps $end $var wire 3 d data [0:2] $end $enddefinitions $end #1 b1 d #2 bx d",
         "1 data[2]=1 1 data[1]=0 1 data[0]=0 2 data[2]=x 2 data[1]=x 2 data[0]=x "},
        {"$timescale 1 ps $end $var wire 1 d data [7] $end $enddefinitions $end #1 1d",
         "1 data[7]=1 "},
        /* one wire of two names, and what is no wire */
        {"$timescale 1 ns $end $scope module a $end $var wire 1 ! x $end $upscope $end $scope "
         "module b $end $var wire 1 ! y $end $var real 64 r volts $end $upscope $end "
         "$enddefinitions $end #1 1! r3.3 r",
         "1000 a.x=1 "},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("row %zu", i);
        EXPECT_TEXT(read_text("c.vcd", rows[i].content, NULL), rows[i].items);
    }
    shell_end();
}

static void broken_dumps(void) {
    static const struct {
        const char *content, *says;
    } rows[] = {
        {"", "the file is empty: a VCD or a CSV file was expected"},
        {"$timescale 2 ns $end", ":1: $timescale \"2ns\": expected 1, 10 or 100, and s, ms, us"},
        {"$timescale 1 h $end", "$timescale \"1h\""},
        {"$var wire 1 ! a $end $enddefinitions $end", "no $timescale: expected one before"},
        {"$timescale 1 ns $end $enddefinitions $end", "no wires are declared: expected $var"},
        {"$timescale 1 ns $end\n$var wire 1 !", ":2: $var"},
        {"$timescale 1 ns $end\n$var wire 0 ! a $end", ":2: $var \"0\": expected a type, a number"},
        {"$timescale 1 ns $end $var wire 1 ! a $end\n$var wire 2 ! b $end",
         ":2: $var of another size: \"!\""},
        {"$timescale 1 ns $end\n#0", ":2: before $enddefinitions there is \"#0\""},
        {HEAD "#5 1!\n#3 0!", ":3: time runs backwards: #3 behind 5 ns; expected rising times"},
        {HEAD "#5a", ":2: in a time, behind #, there is \"a\": expected digits"},
        {HEAD "#99999999999999999999", "a time of more than \"200 days\""},
        {HEAD "#1 1", "a value without an identifier: \"1\""},
        {HEAD "#1 q!", ":2: a change begins with \"q\": expected #, 0, 1, x, z, b or r"},
        {HEAD "#", ":2: in a time, behind #"},
        {HEAD "#x", "there is \"x\": expected digits"},
        {HEAD "#1234567890123456789012345678901234567890", "a time of more than \"200 days\""},
        {"$timescale 1 s $end $var wire 1 ! a $end $enddefinitions $end #99999999999",
         "a time of more than \"200 days\""},
        {HEAD "#1 b", "the file ends in a vector"},
        {HEAD "#1 b101 ", "the file ends in a vector \"101\""},
        {HEAD "#1 b120 !", "the vector \"120\": expected bits of 0, 1, x and z"},
        {"$timescale 1 ns $end $scope module", "no wires are declared"},
        {"$timescale", "$timescale \"\""},
        {"$timescale 1 ns $end\n$var wire", ":2: $var"},
        {"$timescale 1 ns $end\n$var", ":2: $var"},
        {"$timescale 1 ns $end\n$var wire 4294967297 ! a $end", ":2: $var \"4294967297\""},
        {"$timescale 1 ns $end\n$var wire x ! a $end", ":2: $var \"x\": expected a type"},
        {"$timescale 1 ns $end\n$var wire 1 "
         "iiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiii a $end",
         ":2: $var \"1\": expected a type"},
        {HEAD "#1 b101", "the file ends in a vector \"101\""},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].says);
        EXPECT_CONTAINS(read_text("c.vcd", rows[i].content, NULL), rows[i].says);
    }
    EXPECT_CONTAINS(read_all("/nowhere/c.vcd", NULL), "/nowhere/c.vcd: No such file");
    shell_end();
}

static void tables_of_levels(void) {
    static const struct {
        const char *content;
        struct jl_capture_options options;
        const char *items;
    } rows[] = {
        {"Time [s],SCL,SDA\n0,1,1\n0.000001,1,0\n0.000002,0,0\n",
         {0, NULL, NULL},
         "0 SCL=1 0 SDA=1 1000000 SDA=0 2000000 SCL=0 "},
        {"0,1,1\n1e-6,0,1\n", {0, NULL, NULL}, "0 column2=1 0 column3=1 1000000 column2=0 "},
        {"SCL,time_us,SDA\n1,0,0\n0,1.5,0\n", {0, NULL, NULL}, "0 SCL=1 0 SDA=0 1500000 SCL=0 "},
        {"Time(ns);A;B\n0;1;0\n12,5;0;0\n", {0, NULL, NULL}, "0 A=1 0 B=0 12500 A=0 "},
        {"time\tA\n0\t0\n3\t1\n", {0, "ms", NULL}, "0 A=0 3000000000 A=1 "},
        {"\"Time\", \"clk\"\r\n0, 0\r\n0.001, 1\r\n", {0, NULL, NULL}, "0 clk=0 1000000000 clk=1 "},
        {"# made by hand\n\ntime,A\n0,0\n# a pause\n\n1,1\n",
         {0, NULL, NULL},
         "0 A=0 1000000000000 A=1 "},
        /* before the trigger */
        {"time,A\n-0.5,0\n0,1\n0.5,0\n",
         {0, NULL, NULL},
         "0 A=0 500000000000 A=1 1000000000000 A=0 "},
        /* volts; the threshold counts as high */
        {"time,A\n0,0.05\n1,3.29\n2,1.6\n3,1.4\n",
         {0, NULL, NULL},
         "0 A=0 1000000000000 A=1 3000000000000 A=0 "},
        {"time,A\n0,0.1\n1,1.6\n2,2.5\n", {2.5, NULL, NULL}, "0 A=0 2000000000000 A=1 "},
        /* sparse: as before; unknown */
        {"time,A,B\n0,1,0\n1,,1\n2,0,\n3,x,\n",
         {0, NULL, NULL},
         "0 A=1 0 B=0 1000000000000 B=1 2000000000000 A=0 3000000000000 A=x "},
        {"time,data\n0,0\n1,1\n", {0, NULL, NULL}, "0 data=0 1000000000000 data=1 "}, /* a wire */
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("row %zu", i);
        EXPECT_TEXT(read_text("c.csv", rows[i].content, &rows[i].options), rows[i].items);
    }
    shell_end();
}

static void tables_of_bytes(void) {
    static const struct {
        const char *content, *items;
    } rows[] = {
        {"time,byte,dc\n0,0xAE,0\n1e-6,3F,1\n", "0 AE dc0 @-1 1000000 3F dc1 @-1 "},
        {"Time [us];Data;D/C\n0;AEh;command\n1,5;00;data\n", "0 AE dc0 @-1 1500000 00 dc1 @-1 "},
        {"time,address,value,ack\n0,3C,AE,ACK\n1,3c,7F,NAK\n",
         "0 AE dc-1 @60 1000000000000 7F dc-1 @60 refused "},
        {"time,type,data\n0,start,\n1,,78\n2,,00\n3,stop,\n",
         "0 start 1000000000000 78 dc-1 @-1 2000000000000 00 dc-1 @-1 3000000000000 stop "},
        {"time,byte,dc\n0,AEH,cmd\n1,0x3f,high\n2,0X40,\n",
         "0 AE dc0 @-1 1000000000000 3F dc1 @-1 2000000000000 40 dc-1 @-1 "},
        {"time,event,byte\n0,restart,\n1,odd,\n2,,AE\n3,command,AF\n",
         "0 start 2000000000000 AE dc-1 @-1 3000000000000 AF dc0 @-1 "},
        {"time,stopbit,byte\n0,1,AE\n", "0 AE dc-1 @-1 0 stop "},
        {"time,startbit,byte,stop\n0,1,78,0\n1,0,AE,1\n",
         "0 start 0 78 dc-1 @-1 1000000000000 AE dc-1 @-1 1000000000000 stop "},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("row %zu", i);
        EXPECT_TEXT(read_text("c.csv", rows[i].content, NULL), rows[i].items);
    }
    shell_end();
}

static void broken_tables(void) {
    static const struct {
        const char *content, *unit, *says;
    } rows[] = {
        {"hello world\n", NULL, ":1: \"hello world\": expected a VCD file, or CSV with a column"},
        {"# nothing\n\n", NULL, "only empty lines and comments"},
        {"a,b\n0,1\n", NULL, "no column of time: expected one called \"time\""},
        {"time,A\n", NULL, "a header, and no row behind it"},
        {"time,A\nx,1\n", NULL, ":2: column 1: \"x\", expected a time"},
        {"time,A\n0,1\n1,maybe\n", NULL, ":3: column 2: \"maybe\", expected 0, 1 or volts"},
        {"time,A\n0,1\n2,0\n1,1\n", NULL, ":4: time runs backwards: 1; expected rising times"},
        {"A,time\n0,1\n1\n", NULL, ":3: 1 columns, expected 2 as above"},
        {"time,A\n0,1\n", "days", "\"days\" is no unit of time: expected s, ms, us, ns or ps"},
        {"time,byte\n0,AE\n1,XY\n", NULL, ":3: column 2: \"XY\", expected a byte in hexadecimal"},
        {"time,byte\n0,AE\n1,1FF\n", NULL, "expected a byte in hexadecimal, 00 to FF"},
        {"time,byte,address\n0,AE,80\n", NULL, "expected a 7-bit address in hexadecimal"},
        {"time,A\n0,1\n99999999,0\n", NULL, "expected rising times of less than 200 days"},
        {"time,byte,address\n0,AE,XY\n", NULL, ":2: column 3: \"XY\", expected a 7-bit address"},
        {"time,byte,dc\n0,AE,maybe\n", NULL, ":2: column 3: \"maybe\", expected data or command"},
        {"time,byte,ack\n0,AE,maybe\n", NULL, ":2: column 3: \"maybe\", expected ACK or NAK"},
        {"time,A\n0,1.5.2\n", NULL, "\"1.5.2\", expected 0, 1 or volts"},
        {"time,A\n0,-\n", NULL, "\"-\", expected 0, 1 or volts"},
        {"time,A", NULL, "a header, and no row behind it"},
        {"time", NULL, "expected a VCD file, or CSV with a column of time"},
        {"\n\n", NULL, "the file is empty"},
        {"time,A\n0,1\nnan,0\n", NULL, "\"nan\", expected a time"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].says);
        EXPECT_CONTAINS(read_text("c.csv", rows[i].content,
                                  &(struct jl_capture_options){.time_unit = rows[i].unit}),
                        rows[i].says);
    }
    shell_end();
}

/* Through zlib, whole and cut short. */
static void zipped_files(void) {
    shell_begin();
    read_text("c.vcd", HEAD "#0 0! 1\" #5 1!\n", NULL);
    EXPECT_INT(shell("gzip -k c.vcd"), 0);
    EXPECT_TEXT(read_all(shell_path("c.vcd.gz"), NULL), "0 a=0 0 b=1 5000 a=1 ");
    EXPECT_INT(shell("{ cat c.vcd; seq -f '#%.0f 0! 1\"' 10 9000; } | gzip >long.gz; head -c 9000 "
                     "long.gz >cut.gz; head -c 5000 /dev/zero >zeros"),
               0);
    EXPECT_CONTAINS(read_all(shell_path("zeros"), NULL), "a zero byte: expected text");
    /* read_all() keeps the beginning only, so the end is looked for by hand */
    struct jl_complaint complaint = {""};
    struct jl_capture *capture = jl_capture_open(shell_path("cut.gz"), NULL, &complaint);
    struct jl_capture_item item;
    enum jl_capture_step step;
    int items = 0;
    if (!EXPECT(capture != NULL)) {
        return;
    }
    while ((step = jl_capture_next(capture, &item, &complaint)) == JL_CAPTURE_ITEM) {
        items++;
    }
    EXPECT_INT(step, JL_CAPTURE_BAD);
    EXPECT(items > 1000);
    EXPECT_CONTAINS(complaint.text, "it ends too early, in the middle of its gzip data");
    jl_capture_close(capture);
    shell_end();
}

const struct test_group test_groups[] = {
    {"value_change_dumps", value_change_dumps},
    {"broken_dumps", broken_dumps},
    {"tables_of_levels", tables_of_levels},
    {"tables_of_bytes", tables_of_bytes},
    {"broken_tables", broken_tables},
    {"zipped_files", zipped_files},
    {NULL, NULL},
};
