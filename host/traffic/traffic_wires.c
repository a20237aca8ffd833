/* Names of wires: of a scope's last part, without case and without what is no letter or digit. */
#include "traffic_wires.h"

#include "../files/values.h"
#include "traffic_bus.h"

#include <stdio.h>
#include <string.h>

enum { WORD = 64, MOST_ALIASES = 12 };

/* What people call the wire of a role, but for jl_role_name(), which is the best. */
static const struct {
    enum jl_role role;
    const char *names[MOST_ALIASES];
} usual[] = {
    {JL_ROLE_SCL, {"sck", "clk", "clock", "i2cscl"}},
    {JL_ROLE_SDA, {"dat", "data", "i2csda"}},
    {JL_ROLE_CS, {"ncs", "csn", "csx", "ss", "nss", "ssn", "ce", "cen", "sce", "csb"}},
    {JL_ROLE_DC, {"dcx", "a0", "rs", "cd", "dnc", "dcn", "di", "cmd", "dcrs", "rsdc"}},
    {JL_ROLE_CLOCK, {"sck", "sclk", "scl", "clock", "spiclk", "sckl"}},
    {JL_ROLE_MOSI, {"sda", "sdi", "din", "si", "copi", "sdo", "dat", "data", "sdin", "sid"}},
    {JL_ROLE_MISO, {"cipo", "so", "dout"}},
    {JL_ROLE_WR, {"wrx", "nwr", "wrn", "we", "wrb"}},
    {JL_ROLE_RD, {"rdx", "nrd", "rdn", "oe", "rdb"}},
    {JL_ROLE_E, {"en", "enable", "e1"}},
    {JL_ROLE_E2, {"en2", "enable2"}},
    {JL_ROLE_RW, {"rnw", "rwn", "rdwr"}},
    {JL_ROLE_RESET, {"reset", "res", "nrst", "rstn", "resx", "rstb", "resetn", "nreset"}},
    {JL_ROLE_CHIP1, {"cs1", "csa", "e1"}},
    {JL_ROLE_CHIP2, {"cs2", "csb", "e2"}},
    {JL_ROLE_CHIP3, {"cs3", "csc"}},
    {JL_ROLE_LIGHT, {"bl", "backlight", "led", "blk", "leda"}},
};

static const char *last_part(const char *name) {
    const char *dot = strrchr(name, '.');
    return dot && dot[1] ? dot + 1 : name;
}

/* d3, db3, data3, data[3], d[3] ... */
static int line_number(const char *word) {
    static const char *const heads[] = {"d", "db", "data", "bit", "dat"};
    int number = -1, length = 0;
    size_t letters = strcspn(word, "0123456789");
    if (!word[letters] || sscanf(word + letters, "%9d%n", &number, &length) != 1 ||
        word[letters + (size_t)length] || number > 15) {
        return -1;
    }
    for (size_t i = 0; i < sizeof heads / sizeof heads[0]; i++) {
        if (strlen(heads[i]) == letters && strncmp(word, heads[i], letters) == 0) {
            return number;
        }
    }
    return -1;
}

/* How well a name fits a role: 0 the best, -1 not at all. */
static int rank_of(const char *name, enum jl_role role) {
    char word[WORD];
    jl_host_plain_name(last_part(name), word, sizeof word);
    if (role >= JL_ROLE_D0) {
        return line_number(word) == (int)(role - JL_ROLE_D0) ? 0 : -1;
    }
    if (strcmp(jl_role_name(role), word) == 0) {
        return 0;
    }
    for (size_t i = 0; i < sizeof usual / sizeof usual[0]; i++) {
        for (int k = 0; usual[i].role == role && k < MOST_ALIASES && usual[i].names[k]; k++) {
            if (strcmp(usual[i].names[k], word) == 0) {
                return k + 1;
            }
        }
    }
    return -1;
}

static void list_names(const struct jl_capture *capture, char *out, size_t size) {
    const struct jl_capture_name *names;
    size_t count = jl_capture_names(capture, &names), length = 0;
    out[0] = '\0';
    for (size_t i = 0; i < count && length + 50 < size; i++) {
        length +=
            (size_t)snprintf(out + length, size - length, "%s%.40s", i ? ", " : "", names[i].name);
    }
    if (length + 50 >= size) {
        snprintf(out + length, size - length, " ...");
    }
}

/* The names as they are, or their last parts; a number alone is that of a column. */
static bool is_named(const char *name, const char *said) {
    return strcmp(name, said) == 0 || strcmp(last_part(name), said) == 0;
}

static bool take_said(const struct jl_capture *capture, const char *said, struct role_wires *found,
                      struct jl_complaint *complaint) {
    const struct jl_capture_name *names;
    size_t count = jl_capture_names(capture, &names);
    static const char nothing[] = "=";
    const char *equals = strchr(said, '=') ? strchr(said, '=') : nothing;
    char role_word[WORD] = "";
    if (equals != nothing && equals - said < WORD) {
        memcpy(role_word, said, (size_t)(equals - said));
        role_word[equals - said] = '\0';
    }
    for (int role = 0; role < JL_ROLES; role++) {
        bool clock = role == JL_ROLE_SCL && strcmp(role_word, "scl") == 0;
        if (strcmp(jl_role_name((enum jl_role)role), role_word) != 0 && !clock) {
            continue;
        }
        for (size_t i = 0; i < count; i++) {
            if (is_named(names[i].name, equals + 1)) {
                found->wires[role] = names[i].wire;
                found->names[role] = names[i].name;
                return true;
            }
        }
        char all[300];
        list_names(capture, all, sizeof all);
        return jl_complain(complaint, "no wire is called \"%.40s\": there are %s", equals + 1, all);
    }
    return jl_complain(complaint,
                       "\"%.60s\": expected ROLE=NAME, with a role such as scl, sda, cs, dc, clk, "
                       "mosi, wr, rd, e, rw, rst, light or d0",
                       said);
}

/* How many of the roles have a wire in the scope of a name. */
static int fit_of_scope(const struct jl_capture *capture, const char *name, jl_role_set wanted) {
    const struct jl_capture_name *names;
    size_t count = jl_capture_names(capture, &names);
    size_t length = (size_t)(last_part(name) - name);
    jl_role_set fits = 0;
    for (size_t i = 0; i < count; i++) {
        bool here = strncmp(names[i].name, name, length) == 0 &&
                    last_part(names[i].name) == names[i].name + length;
        for (int role = 0; here && role < JL_ROLES; role++) {
            bool fit = wanted >> role & 1 && rank_of(names[i].name, (enum jl_role)role) >= 0;
            fits |= fit ? JL_ROLE_BIT(role) : 0;
        }
    }
    int sum = 0;
    for (; fits; fits &= fits - 1) {
        sum++;
    }
    return sum;
}

/*
 * Of two wires of one name, that in the scope which has more of the bus; else the options have to
 * say which.
 */
static bool take_usual(const struct jl_capture *capture, enum jl_role role, jl_role_set wanted,
                       struct role_wires *found, struct jl_complaint *complaint) {
    const struct jl_capture_name *names;
    size_t count = jl_capture_names(capture, &names);
    int best = MOST_ALIASES + 1;
    const char *other = NULL;
    for (size_t i = 0; i < count; i++) {
        int rank = rank_of(names[i].name, role);
        if (rank < 0 || rank > best) {
            continue;
        }
        int fit = rank == best && names[i].wire != found->wires[role]
                      ? fit_of_scope(capture, names[i].name, wanted) -
                            fit_of_scope(capture, found->names[role], wanted)
                      : 0;
        if (rank == best && names[i].wire != found->wires[role] && fit == 0) {
            other = names[i].name;
        } else if (rank < best || fit > 0) {
            best = rank;
            other = NULL;
            found->wires[role] = names[i].wire;
            found->names[role] = names[i].name;
        }
    }
    if (other) {
        return jl_complain(complaint, "both %.60s and %.60s may be %s: say which, with %s=NAME",
                           found->names[role], other, jl_role_name(role), jl_role_name(role));
    }
    return true;
}

/* The pin that the card names for a wire, if the capture has a wire called so. */
static void take_pin(const struct jl_capture *capture, const struct jl_card *card,
                     enum jl_role role, struct role_wires *found) {
    const struct jl_capture_name *names;
    size_t count = jl_capture_names(capture, &names);
    const char *pin = jl_host_pin_of(card, role);
    char pin_word[WORD], word[WORD];
    jl_host_plain_name(pin ? pin : "", pin_word, sizeof pin_word);
    for (size_t i = 0; i < count && *pin_word; i++) {
        jl_host_plain_name(last_part(names[i].name), word, sizeof word);
        if (strcmp(word, pin_word) == 0) {
            found->wires[role] = names[i].wire;
            found->names[role] = names[i].name;
        }
    }
}

bool jl_host_find_wires(const struct jl_capture *capture, const struct jl_card *card,
                        const char *const *said, jl_role_set wanted, jl_role_set needed,
                        struct role_wires *found, struct jl_complaint *complaint) {
    for (int role = 0; role < JL_ROLES; role++) {
        found->wires[role] = -1;
        found->names[role] = NULL;
    }
    for (size_t i = 0; said && said[i]; i++) {
        if (!take_said(capture, said[i], found, complaint)) {
            return false;
        }
    }
    for (int role = 0; role < JL_ROLES; role++) {
        if (found->wires[role] < 0 && wanted >> role & 1) {
            take_pin(capture, card, (enum jl_role)role, found);
        }
    }
    for (int role = 0; role < JL_ROLES; role++) {
        if (found->wires[role] < 0 && wanted >> role & 1 &&
            !take_usual(capture, (enum jl_role)role, wanted, found, complaint)) {
            return false;
        }
    }
    for (int role = 0; role < JL_ROLES; role++) {
        if (needed >> role & 1 && found->wires[role] < 0) {
            char all[300];
            list_names(capture, all, sizeof all);
            return jl_complain(complaint,
                               "no wire for %s: say which one it is, with %s=NAME; "
                               "there are %s",
                               jl_role_name((enum jl_role)role), jl_role_name((enum jl_role)role),
                               all);
        }
    }
    return true;
}
