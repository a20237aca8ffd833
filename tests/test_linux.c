/*
 * The port for Linux, with a kernel that is played here: behind its bus and lines is the simulated
 * board. What it hands on, what it says when something cannot be opened, and what of errors.
 */
#include "harness.h"

#include <errno.h>
#include <linux/gpio.h>
#include <linux/i2c-dev.h>
#include <linux/i2c.h>
#include <linux/spi/spidev.h>
#include <stdio.h>
#include <string.h>

#include "jadelamp/controllers/readings.h"
#include "jadelamp/host/light.h"
#include "linux_port.h"
#include "shell.h"
#include "stage.h"

enum { BUS = 3, CHIP, BUFSIZ_FILE, OUTPUTS, INPUTS, FILES };
enum { LINE_DC = 25, LINE_RESET = 24, LINE_CS = 8, LINE_BUSY = 17 };

static struct {
    const struct jl_port *board;
    int files, calls, fails_at, error; /* the call with this number fails */
    bool refuses_empty, busy, no_cs;
    const char *bufsiz; /* what the file says; NULL: there is none */
    enum jl_pin outputs[3];
    size_t most; /* bytes of a transfer */
    uint32_t hz;
} kernel;

static bool fails(void) {
    errno = kernel.error;
    return ++kernel.calls == kernel.fails_at;
}

static int play_open(const char *path, int flags) {
    (void)flags;
    bool bufsiz = strstr(path, "bufsiz") != NULL;
    if (bufsiz && !kernel.bufsiz) {
        errno = ENOENT;
        return -1;
    }
    if (!bufsiz && fails()) {
        return -1;
    }
    kernel.files++;
    return bufsiz ? BUFSIZ_FILE : strstr(path, "gpiochip") ? CHIP : BUS;
}

static int play_close(int file) {
    EXPECT(file >= BUS && file < FILES);
    kernel.files--;
    errno = 0; /* what is told must not come from here */
    return 0;
}

static long play_read(int file, void *bytes, unsigned long count) {
    EXPECT_INT(file, BUFSIZ_FILE);
    size_t length = strlen(kernel.bufsiz);
    EXPECT(length <= count);
    memcpy(bytes, kernel.bufsiz, length);
    return (long)length;
}

static void play_sleep(uint32_t microseconds) {
    kernel.board->ops->wait_us(kernel.board->context, microseconds);
}

static int told(jl_status status) {
    errno = status == JL_NO_ANSWER ? ENXIO : EIO;
    return status == JL_OK ? 0 : -1;
}

static void count_bytes(size_t bytes) {
    kernel.most = bytes > kernel.most ? bytes : kernel.most;
}

static int play_i2c(const struct i2c_rdwr_ioctl_data *all) {
    const struct jl_port *board = kernel.board;
    const struct i2c_msg *first = &all->msgs[0], *last = &all->msgs[all->nmsgs - 1];
    struct jl_transfer t = {.i2c_address = (uint8_t)first->addr};
    EXPECT(all->nmsgs == 1 || (all->nmsgs == 2 && !(first->flags & I2C_M_RD)));
    if (!(first->flags & I2C_M_RD)) {
        t.body = first->buf;
        t.body_bytes = first->len;
        count_bytes(first->len);
        if (first->len == 0 && kernel.refuses_empty) {
            errno = EOPNOTSUPP;
            return -1;
        }
    }
    return last->flags & I2C_M_RD
               ? told(board->ops->receive(board->context, &t, last->buf, last->len))
               : told(board->ops->send(board->context, &t));
}

static int play_spi(const struct spi_ioc_transfer *transfers, int count) {
    const struct jl_port *board = kernel.board;
    struct jl_transfer t = {0};
    const struct spi_ioc_transfer *last = &transfers[count - 1];
    jl_status status;
    for (int i = 0; i < count; i++) {
        EXPECT_INT(transfers[i].bits_per_word, 8);
        kernel.hz = transfers[i].speed_hz;
        count_bytes(transfers[i].len);
    }
    if (transfers[0].tx_buf) {
        t.body = (const uint8_t *)(uintptr_t)transfers[0].tx_buf;
        t.body_bytes = transfers[0].len;
    }
    if (!kernel.no_cs) {
        board->ops->set_pin(board->context, JL_PIN_CS, false);
    }
    if (last->rx_buf) {
        status =
            board->ops->receive(board->context, &t, (uint8_t *)(uintptr_t)last->rx_buf, last->len);
    } else {
        status = board->ops->send(board->context, &t);
    }
    if (!kernel.no_cs) {
        board->ops->set_pin(board->context, JL_PIN_CS, true);
    }
    return told(status);
}

static int play_request(struct gpio_v2_line_request *request) {
    bool out = (request->config.flags & GPIO_V2_LINE_FLAG_OUTPUT) != 0;
    EXPECT_TEXT(request->consumer, "jadelamp");
    for (uint32_t i = 0; out && i < request->num_lines && i < 3; i++) {
        uint32_t line = request->offsets[i];
        kernel.outputs[i] = line == LINE_DC   ? JL_PIN_DC
                            : line == LINE_CS ? JL_PIN_CS
                                              : JL_PIN_RESET;
        EXPECT(line == LINE_DC || line == LINE_CS || line == LINE_RESET);
    }
    EXPECT(out || (request->num_lines == 1 && request->offsets[0] == LINE_BUSY));
    request->fd = out ? OUTPUTS : INPUTS;
    kernel.files++;
    return 0;
}

static int play_ioctl(int file, unsigned long request, void *argument) {
    if (fails()) {
        return -1;
    }
    if (request == I2C_RDWR) {
        EXPECT_INT(file, BUS);
        return play_i2c(argument);
    }
    if (request == SPI_IOC_WR_MODE) {
        kernel.no_cs = *(const uint8_t *)argument == (SPI_MODE_0 | SPI_NO_CS);
        EXPECT(kernel.no_cs || *(const uint8_t *)argument == SPI_MODE_0);
        return 0;
    }
    if (request == SPI_IOC_MESSAGE(1) || request == SPI_IOC_MESSAGE(2)) {
        EXPECT_INT(file, BUS);
        return play_spi(argument, request == SPI_IOC_MESSAGE(1) ? 1 : 2);
    }
    if (request == GPIO_V2_GET_LINE_IOCTL) {
        EXPECT_INT(file, CHIP);
        return play_request(argument);
    }
    struct gpio_v2_line_values *values = argument;
    if (request == GPIO_V2_LINE_GET_VALUES_IOCTL) {
        EXPECT_INT(file, INPUTS);
        values->bits = kernel.busy;
        return 0;
    }
    EXPECT(request == GPIO_V2_LINE_SET_VALUES_IOCTL);
    EXPECT_INT(file, OUTPUTS);
    for (int i = 0; i < 3; i++) {
        if (values->mask >> i & 1) {
            kernel.board->ops->set_pin(kernel.board->context, kernel.outputs[i],
                                       values->bits >> i & 1);
        }
    }
    return 0;
}

static const struct linux_calls played = {play_open, play_ioctl, play_read, play_close, play_sleep};

static const struct make oled = {.name = "ssd1306 128x64",
                                 .controller = &jl_ssd1306,
                                 .emulator = &jl_emulated_ssd1306,
                                 .width = 128,
                                 .height = 64,
                                 .bus = &jl_bus_i2c};

static struct linux_port context;
static const struct linux_wiring i2c_wiring = {.bus = "/dev/i2c-1",
                                               .dc = LINUX_NOT_WIRED,
                                               .reset = LINUX_NOT_WIRED,
                                               .cs = LINUX_NOT_WIRED,
                                               .busy = LINUX_NOT_WIRED};
static const struct linux_wiring spi_wiring = {.bus = "/dev/spidev0.0",
                                               .gpio = "/dev/gpiochip0",
                                               .dc = LINE_DC,
                                               .reset = LINE_RESET,
                                               .cs = LINUX_NOT_WIRED,
                                               .busy = LINUX_NOT_WIRED,
                                               .hz = 8000000};

/* A board behind the played kernel, and a port of Linux to it. */
static void begin(struct stage *stage, const struct make *make, struct jl_port *port) {
    char why[160] = "";
    memset(&kernel, 0, sizeof kernel);
    /* 4 MHz: parts can be read, too */
    stage_open(stage, make,
               &(struct wish){.ops = &jl_sim_port_rich_ops, .clock_hz = make->bus ? 0 : 4000000});
    kernel.board = &stage->port;
    EXPECT(linux_port_open(&context, make->bus ? &i2c_wiring : &spi_wiring, &played, port, why,
                           sizeof why));
    EXPECT_TEXT(why, "");
}

static void end(struct stage *stage) {
    linux_port_close(&context);
    EXPECT_INT(kernel.files, 0);
    stage_close(stage);
}

static void pictures_arrive(void) {
    static const struct {
        const char *make; /* NULL: the OLED on I2C */
        const char *bufsiz;
        int most; /* bytes at once */
    } rows[] = {
        {NULL, NULL, 1025},
        {"st7789 240x240", NULL, 4096},
        {"st7789 240x240", "512\n", 512},
        {"st7789 240x240", "65536\n", 65535},
        {"st7789 240x240", "nonsense\n", 4096},
        {"ili9341 240x320", "4096\n", 4096},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = rows[i].make ? make_named(rows[i].make) : &oled;
        struct stage stage;
        struct jl_port port;
        test_row("%s, %s", make->name, rows[i].bufsiz ? rows[i].bufsiz : "no limit told");
        begin(&stage, make, &port);
        if (rows[i].bufsiz) {
            linux_port_close(&context);
            char why[160];
            kernel.bufsiz = rows[i].bufsiz;
            EXPECT(linux_port_open(&context, &spi_wiring, &played, &port, why, sizeof why));
        }
        EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_draw_test_card(&frame.target, "by the kernel");
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        stage_expect_shown(&stage, make, &frame);
        stage_expect_content(&stage);
        EXPECT_INT((long long)kernel.most, rows[i].most);
        EXPECT_INT(kernel.hz, rows[i].make ? 8000000 : 0);
        end(&stage);
    }
}

/* The third call and on of opening: bus, mode, chip, outputs, their levels, input. */
static void what_cannot_be_opened_is_told(void) {
    static const struct {
        int call, error;
        const char *expected[2];
    } rows[] = {
        {1, ENOENT, {"/dev/spidev0.0: ", "switch the bus on"}},
        {1, EACCES, {"/dev/spidev0.0: ", "join the group"}},
        {1, EPERM, {"/dev/spidev0.0: ", "join the group"}},
        {1, EBUSY, {"/dev/spidev0.0: ", "something else uses it"}},
        {1, ENODEV, {"/dev/spidev0.0: ", "look at the adapter"}},
        {1, EIO, {"/dev/spidev0.0: ", "look at the path"}},
        {2, ENOTTY, {"/dev/spidev0.0: ", "no bus of that kind"}},
        {3, ENOENT, {"/dev/gpiochip0: ", "ls /dev"}},
        {3, EACCES, {"/dev/gpiochip0: ", "log in again"}},
        {4, EBUSY, {"/dev/gpiochip0: ", "a driver of the kernel"}},
        {4, EINVAL, {"/dev/gpiochip0: ", "no such line"}},
        {5, EIO, {"/dev/gpiochip0: ", "Input/output"}},
        {6, EBUSY, {"/dev/gpiochip0: ", "another program"}},
    };
    struct linux_wiring wiring = spi_wiring;
    struct stage stage;
    stage_open(&stage, make_named("st7789 240x240"), &(struct wish){0});
    wiring.busy = LINE_BUSY;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char why[160] = "";
        struct jl_port port = {0};
        memset(&kernel, 0, sizeof kernel);
        kernel.board = &stage.port;
        kernel.fails_at = rows[i].call;
        kernel.error = rows[i].error;
        test_row("call %d, error %d", rows[i].call, rows[i].error);
        EXPECT(!linux_port_open(&context, &wiring, &played, &port, why, sizeof why));
        EXPECT_CONTAINS(why, rows[i].expected[0]);
        EXPECT_CONTAINS(why, rows[i].expected[1]);
        EXPECT(port.ops == NULL);
        EXPECT_INT(kernel.files, 0);
    }
    stage_close(&stage);
}

static void errors_of_transfers(void) {
    static const struct {
        int error;
        jl_status expected;
    } rows[] = {
        {ENXIO, JL_NO_ANSWER}, {EREMOTEIO, JL_NO_ANSWER}, {ETIMEDOUT, JL_TIMEOUT},
        {EIO, JL_BUS_ERROR},   {EMSGSIZE, JL_BUS_ERROR},  {EAGAIN, JL_BUS_ERROR},
    };
    struct stage stage;
    struct jl_port port;
    for (int spi = 0; spi < 2; spi++) {
        begin(&stage, spi ? make_named("st7789 240x240") : &oled, &port);
        for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
            static const uint8_t bytes[] = {0x00, 0xE3};
            uint8_t in[2];
            struct jl_transfer t = {.body = bytes, .body_bytes = 2, .i2c_address = 0x3C};
            test_row("spi %d, error %d", spi, rows[i].error);
            kernel.error = rows[i].error;
            kernel.fails_at = kernel.calls + 1;
            EXPECT_INT(port.ops->send(port.context, &t), rows[i].expected);
            kernel.fails_at = kernel.calls + 1;
            EXPECT_INT(port.ops->receive(port.context, &t, in, 2), rows[i].expected);
        }
        end(&stage);
    }
    /* More than fits is refused, not cut. */
    static uint8_t much[LINUX_MOST_BYTES + 1];
    struct jl_transfer t = {.body = much, .body_bytes = sizeof much, .i2c_address = 0x3C};
    begin(&stage, &oled, &port);
    int calls = kernel.calls;
    EXPECT_INT(port.ops->send(port.context, &t), JL_BUS_ERROR);
    EXPECT_INT(kernel.calls, calls);
    end(&stage);
}

/* With adapters that send addresses alone, and with those that do not. */
static void who_is_there(void) {
    struct stage stage;
    struct jl_port port;
    for (int refuses = 0; refuses < 2; refuses++) {
        uint8_t found[16];
        test_row("refuses %d", refuses);
        begin(&stage, &oled, &port);
        kernel.refuses_empty = refuses;
        EXPECT_INT(jl_scan_i2c(&port, found), JL_OK);
        for (int address = 0; address < 0x80; address++) {
            EXPECT_INT(JL_SCAN_FOUND(found, address), address == 0x3C);
        }
        end(&stage);
    }
}

static void parts_are_read(void) {
    struct stage stage;
    struct jl_port port;
    uint32_t id = 0;
    uint8_t said = 0;
    begin(&stage, make_named("st7789 240x240"), &port);
    EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
    /* CS rises between the command and the answer, which ends it. */
    EXPECT_INT(jl_panel_identify(&stage.panel, &jl_st7789_reading, &id), JL_NO_ANSWER);
    linux_port_close(&context);
    struct linux_wiring with_cs = spi_wiring;
    char why[160];
    with_cs.cs = LINE_CS;
    EXPECT(linux_port_open(&context, &with_cs, &played, &port, why, sizeof why));
    EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
    EXPECT_INT(jl_panel_identify(&stage.panel, &jl_st7789_reading, &id), JL_OK);
    EXPECT_INT(id, 0x858552);
    end(&stage);
    begin(&stage, &oled, &port);
    EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_panel_ask(&stage.panel, &jl_mono_oled_reading, &said), JL_OK);
    EXPECT_INT(said, JL_SAID_ON);
    end(&stage);
}

static void lines_are_read(void) {
    struct linux_wiring wiring = spi_wiring;
    struct stage stage;
    struct jl_port port;
    char why[160];
    begin(&stage, make_named("st7789 240x240"), &port);
    EXPECT(!port.ops->get_pin(port.context, JL_PIN_BUSY)); /* not wired */
    linux_port_close(&context);
    wiring.busy = LINE_BUSY;
    EXPECT(linux_port_open(&context, &wiring, &played, &port, why, sizeof why));
    for (int high = 0; high < 2; high++) {
        kernel.busy = high;
        EXPECT_INT(port.ops->get_pin(port.context, JL_PIN_BUSY), high);
        EXPECT(!port.ops->get_pin(port.context, JL_PIN_TE));
    }
    end(&stage);
}

/* ---- hardware beside the board ---- */

/* First light with another board in the place of hardware: both glasses show the same. */
static void first_light_on_hardware_too(void) {
    static const struct {
        const char *card;
        const struct make *make; /* NULL: st7789 240x240 */
    } rows[] = {{"ssd1306-128x64-i2c", &oled}, {"st7789-240x240-spi", NULL}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = rows[i].make ? rows[i].make : make_named("st7789 240x240");
        static struct jl_light_result result; /* large */
        static struct jl_card card;
        struct jl_complaint complaint = {""};
        struct stage stage;
        struct jl_port port;
        test_row("%s", rows[i].card);
        shell_begin();
        begin(&stage, make, &port);
        struct jl_light_request request = {
            .directory = shell_path(""), .no_wires = true, .beside = &port};
        EXPECT(jl_card_find(rows[i].card, &card, &complaint));
        EXPECT(jl_light(&card, &request, &result, &complaint));
        EXPECT_TEXT(complaint.text, "");
        EXPECT_INT(result.present_status, JL_OK);
        EXPECT_INT(result.twin.second_status, JL_OK);
        struct jl_picture seen = stage_look(&stage);
        EXPECT_PICTURE(&seen, &result.sight.glass, "hardware");
        jl_picture_free(&seen);
        jl_light_close(&result);
        /* What goes wrong there is told, whatever the board says. */
        kernel.error = ENXIO;
        kernel.fails_at = kernel.calls + 20;
        EXPECT(jl_light(&card, &request, &result, &complaint));
        EXPECT_INT(result.twin.second_status, JL_NO_ANSWER);
        EXPECT(result.wake_status == JL_NO_ANSWER || result.present_status == JL_NO_ANSWER);
        jl_light_close(&result);
        end(&stage);
        shell_end();
    }
}

static bool busy_of[2];

static bool get_busy(void *context_, enum jl_pin pin) {
    (void)pin;
    return *(bool *)context_;
}

static uint32_t waited[2];

static void wait_in(void *context_, uint32_t microseconds) {
    waited[(bool *)context_ - busy_of] += microseconds;
}

/* Two parts are waited for until both are done, whoever is first, whatever the level means. */
static void both_are_waited_for(void) {
    static const struct jl_port_ops plain = {.get_pin = get_busy, .wait_us = wait_in};
    static const struct {
        bool first, second, seen;
    } looks[] = {{0, 0, 0}, {1, 1, 1}, {0, 1, 1}, {0, 0, 0}, {1, 1, 1}, {1, 0, 1}, {0, 0, 0}};
    struct jl_port port = {.ops = &plain, .context = &busy_of[0], .most_body_bytes = 100};
    const struct jl_port second = {.ops = &plain, .context = &busy_of[1], .most_body_bytes = 64};
    struct jl_twin twin;
    jl_twin_begin(&twin, &port, &second);
    for (size_t i = 0; i < sizeof looks / sizeof looks[0]; i++) {
        busy_of[0] = looks[i].first;
        busy_of[1] = looks[i].second;
        test_row("look %zu", i);
        EXPECT_INT(port.ops->get_pin(port.context, JL_PIN_BUSY), looks[i].seen);
    }
    port.ops->wait_us(port.context, 70);
    EXPECT_INT(waited[0], 70);
    EXPECT_INT(waited[1], 70);
    EXPECT_INT(port.most_body_bytes, 64);
    EXPECT(!port.ops->start && !port.ops->receive);
}

/* This machine's own kernel. */
static void the_real_kernel(void) {
    struct linux_wiring wiring = i2c_wiring;
    struct jl_port port;
    char why[160] = "";
    wiring.bus = "/dev/no-such-bus";
    EXPECT(!linux_port_open(&context, &wiring, &linux_kernel, &port, why, sizeof why));
    EXPECT_CONTAINS(why, "/dev/no-such-bus: No such file or directory; switch the bus on");
    wiring.bus = "/dev/null";
    EXPECT(linux_port_open(&context, &wiring, &linux_kernel, &port, why, sizeof why));
    struct jl_transfer t = {.body = (const uint8_t *)"\0", .body_bytes = 1, .i2c_address = 0x3C};
    EXPECT_INT(port.ops->send(port.context, &t), JL_BUS_ERROR);
    port.ops->wait_us(port.context, 10);
    linux_port_close(&context);
}

/* --on of the command. */
static void places(void) {
    static const struct {
        const char *line, *says;
    } rows[] = {
        {"light ssd1306-128x64-i2c --on i2c:/dev/no-bus", "/dev/no-bus: No such file"},
        {"light ssd1306-128x64-i2c --on uart:1", "--on uart:1: expected i2c:/dev/i2c-1, or spi:"},
        {"light ssd1306-128x64-i2c --on spi:/dev/no-bus,dc=1", "is wired for I2C"},
        {"light ssd1306-128x64-spi --on i2c:/dev/no-bus", "is wired for SPI"},
        {"light ssd1306-128x64-spi --on spi:/dev/no-bus", "add ,dc=25"},
        {"light ssd1306-128x64-spi --on spi:/dev/no-bus,dc=1,cs=x", "\"cs=x\": expected dc=LINE"},
        {"light ssd1306-128x64-spi --on spi:/dev/no-bus,dc=1024", "\"dc=1024\": expected"},
        {"light ssd1306-128x64-spi --on spi:/dev/no-bus,dc=1,reset=2,gpio=/dev/none",
         "/dev/no-bus: No such file"},
        {"light hd44780-16x2-4bit --on i2c:/dev/no-bus", "no Linux bus takes it"},
        {"light rgb-480x272 --on spi:/dev/no-bus,dc=1", "no Linux bus takes it"},
        {"scan --on i2c:/dev/no-bus", "/dev/no-bus: No such file"},
        {"scan --on spi:/dev/no-bus,dc=1", "do not say who they are"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, JADELAMP " %s", rows[i].line);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell_files(), 0);
    EXPECT_INT(shell(JADELAMP " scan --on i2c:/dev/null"), 1);
    EXPECT_CONTAINS(output, "The scan broke off: bus error");
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x64-i2c --on i2c:/dev/null"), 1);
    EXPECT_CONTAINS(output, "on /dev/null: bus error");
    shell_end();
}

static void the_program_tells(void) {
    static const struct {
        const char *arguments;
        int status;
        const char *expected;
    } rows[] = {
        {"", 2, "usage: "},
        {"/dev/no-such-bus", 1, "/dev/no-such-bus: No such file or directory; switch the bus on"},
        {"/dev/null", 1, "bus error"},
        {"/dev/no-spi /dev/gpiochip0 25", 2, "usage: "},
        {"/dev/no-spi /dev/gpiochip0 25 x", 2, "/dev/gpiochip0 25 24 8000000"},
        {"/dev/no-spi /dev/gpiochip0 25 -4", 2, "usage: "},
        {"/dev/no-spi /dev/gpiochip0 25 24 0", 2, "usage: "},
        {"/dev/no-spi /dev/gpiochip0 25 24 8000000", 1, "/dev/no-spi: No such file"},
        {"/dev/no-spi /dev/gpiochip0 25 24 1 2", 2, "usage: "},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, LINUX_HELLO " %s", rows[i].arguments);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].expected);
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"pictures_arrive", pictures_arrive},
    {"what_cannot_be_opened_is_told", what_cannot_be_opened_is_told},
    {"errors_of_transfers", errors_of_transfers},
    {"who_is_there", who_is_there},
    {"parts_are_read", parts_are_read},
    {"lines_are_read", lines_are_read},
    {"first_light_on_hardware_too", first_light_on_hardware_too},
    {"both_are_waited_for", both_are_waited_for},
    {"the_real_kernel", the_real_kernel},
    {"places", places},
    {"the_program_tells", the_program_tells},
    {NULL, NULL},
};
