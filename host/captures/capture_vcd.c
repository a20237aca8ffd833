/*
 * Value change dumps (IEEE 1364-2005 clause 18.2): four states, scalars and vectors. Reals and
 * strengths are passed over. What a tool adds in keywords of its own is passed over up to $end.
 */
#include <ctype.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "../files/values.h"
#include "capture_reader.h"

enum { TOKEN = 256, SCOPES = 400, MOST_BITS = 64, NO_NET = -1 };

static bool complain_here(struct jl_capture *capture, struct jl_complaint *complaint,
                          const char *what, const char *token, const char *right) {
    return jl_complain_at(complaint, capture->source.path, capture->source.line,
                          "%s \"%.60s\": expected %s", what, token, right);
}

/* The next word, cut to the room that there is. False: the end. */
static bool next_token(struct capture_source *source, char *token, size_t room) {
    size_t length = 0;
    int c;
    do {
        c = source_get(source);
    } while (c != SOURCE_END && isspace(c));
    for (; c != SOURCE_END && !isspace(c); c = source_get(source)) {
        if (length + 1 < room) {
            token[length++] = (char)c;
        }
    }
    token[length] = '\0';
    return length > 0;
}

static void skip_to_end(struct capture_source *source) {
    char token[TOKEN];
    while (next_token(source, token, sizeof token) && strcmp(token, "$end") != 0) {
    }
}

/* ---- identifiers ---- */

static unsigned chain_of(const struct vcd *vcd, const char *id) {
    unsigned hash = 5381;
    for (; *id; id++) {
        hash = hash * 33 + (unsigned char)*id;
    }
    return hash % (sizeof vcd->chains / sizeof vcd->chains[0]);
}

static struct vcd_net *find_net(struct vcd *vcd, const char *id) {
    for (int at = vcd->chains[chain_of(vcd, id)]; at != NO_NET; at = vcd->nets[at].next) {
        if (strcmp(vcd->nets[at].id, id) == 0) {
            return &vcd->nets[at];
        }
    }
    return NULL;
}

/* ---- the header ---- */

static bool read_timescale(struct jl_capture *capture, struct jl_complaint *complaint) {
    static const struct {
        const char *unit;
        uint64_t ps, a_ps;
    } units[] = {{"s", 1000000000000u, 1}, {"ms", 1000000000, 1}, {"us", 1000000, 1},
                 {"ns", 1000, 1},          {"ps", 1, 1},          {"fs", 1, 1000}};
    char text[TOKEN] = "", token[TOKEN];
    while (next_token(&capture->source, token, sizeof token) && strcmp(token, "$end") != 0) {
        strncat(text, token, sizeof text - strlen(text) - 1);
    }
    char *unit = text;
    unsigned long number = strtoul(text, &unit, 10);
    for (size_t i = 0; i < sizeof units / sizeof units[0]; i++) {
        if (strcmp(unit, units[i].unit) == 0 && (number == 1 || number == 10 || number == 100)) {
            capture->vcd.unit_ps = units[i].a_ps == 1 ? units[i].ps * number : 1;
            capture->vcd.units_a_ps = units[i].a_ps / (units[i].a_ps == 1 ? 1 : number);
            return true;
        }
    }
    return complain_here(capture, complaint, "$timescale", text,
                         "1, 10 or 100, and s, ms, us, ns, ps or fs");
}

/* $var TYPE BITS ID NAME [RANGE] $end */
static bool read_var(struct jl_capture *capture, const char *scopes,
                     struct jl_complaint *complaint) {
    struct vcd *vcd = &capture->vcd;
    char type[TOKEN], bits_text[TOKEN], id[TOKEN], name[TOKEN], token[TOKEN];
    struct capture_source *source = &capture->source;
    bool whole = next_token(source, type, sizeof type) &&
                 next_token(source, bits_text, sizeof bits_text) &&
                 next_token(source, id, sizeof id) && next_token(source, name, sizeof name);
    int high = -1, low = 0;
    while (whole && next_token(source, token, sizeof token) && strcmp(token, "$end") != 0) {
        if (sscanf(token, "[%9d:%9d]", &high, &low) != 2 && sscanf(token, "[%9d]", &low) == 1) {
            high = low;
        }
    }
    long said = 0;
    if (!whole || !jl_host_parse_number(bits_text, 1, 1000000, &said) ||
        strlen(id) >= sizeof vcd->nets[0].id) {
        return complain_here(capture, complaint, "$var", whole ? bits_text : "",
                             "a type, a number of bits, an identifier, a name and $end");
    }
    const int bits = (int)said;
    if (bits > MOST_BITS || strcmp(type, "real") == 0 || strcmp(type, "string") == 0) {
        return true; /* no wires of a bus: its changes are passed over */
    }
    struct vcd_net *net = find_net(vcd, id);
    if (net && net->bits != bits) {
        return complain_here(capture, complaint, "$var of another size:", id,
                             "the same number of bits for the same identifier");
    }
    if (!net) {
        if (vcd->net_count == MOST_WIRES || capture->wire_count + bits > MOST_WIRES) {
            return complain_here(capture, complaint, "too many wires at", name, "512 at most");
        }
        unsigned chain = chain_of(vcd, id);
        net = &vcd->nets[vcd->net_count];
        *net = (struct vcd_net){
            .first_wire = capture->wire_count, .bits = bits, .next = vcd->chains[chain]};
        snprintf(net->id, sizeof net->id, "%s", id);
        if (!id[1] && (unsigned char)id[0] < 128 && bits == 1) {
            vcd->of_letter[(unsigned char)id[0]] = (short)vcd->net_count;
        }
        vcd->chains[chain] = vcd->net_count++;
        capture->wire_count += bits;
    }
    for (int bit = 0; bit < bits; bit++) {
        char full[SCOPES + TOKEN + 16];
        int number = low + (high >= low ? bit : -bit);
        if (bits > 1) {
            snprintf(full, sizeof full, "%s%s[%d]", scopes, name, number);
        } else if (high >= 0 && !strchr(name, '[')) {
            snprintf(full, sizeof full, "%s%s[%d]", scopes, name, low);
        } else {
            snprintf(full, sizeof full, "%s%s", scopes, name);
        }
        if (!jl_host_capture_name(capture, net->first_wire + bit, full, complaint)) {
            return false;
        }
    }
    return true;
}

static void enter_scope(struct capture_source *source, char *scopes) {
    char kind[TOKEN], name[TOKEN];
    if (next_token(source, kind, sizeof kind) && strcmp(kind, "$end") != 0 &&
        next_token(source, name, sizeof name) && strcmp(name, "$end") != 0) {
        size_t length = strlen(scopes);
        snprintf(scopes + length, SCOPES - length, "%.60s.", name);
        skip_to_end(source);
    }
}

static void leave_scope(struct capture_source *source, char *scopes) {
    size_t length = strlen(scopes);
    for (length -= length > 0; length > 0 && scopes[length - 1] != '.'; length--) {
    }
    scopes[length] = '\0';
    skip_to_end(source);
}

bool jl_host_vcd_begin(struct jl_capture *capture, struct jl_complaint *complaint) {
    struct capture_source *source = &capture->source;
    char token[TOKEN], scopes[SCOPES] = "";
    capture->vcd.unit_ps = 0;
    memset(capture->vcd.chains, NO_NET, sizeof capture->vcd.chains);
    memset(capture->vcd.of_letter, NO_NET, sizeof capture->vcd.of_letter);
    bool whole = false;
    while (!whole && next_token(source, token, sizeof token)) {
        bool good = true;
        if (strcmp(token, "$timescale") == 0) {
            good = read_timescale(capture, complaint);
        } else if (strcmp(token, "$scope") == 0) {
            enter_scope(source, scopes);
        } else if (strcmp(token, "$upscope") == 0) {
            leave_scope(source, scopes);
        } else if (strcmp(token, "$var") == 0) {
            good = read_var(capture, scopes, complaint);
        } else if (strcmp(token, "$enddefinitions") == 0) {
            skip_to_end(source);
            whole = true;
        } else if (token[0] == '$') {
            skip_to_end(source);
        } else {
            good = complain_here(capture, complaint, "before $enddefinitions there is", token,
                                 "a keyword such as $var");
        }
        if (!good) {
            return false;
        }
    }
    if (source->failed && !whole) { /* else there is more to read before what is missing */
        return jl_host_source_complain(source, complaint);
    }
    if (!capture->vcd.unit_ps) {
        return jl_complain(complaint, "%s: no $timescale: expected one before $enddefinitions",
                           source->path);
    }
    if (!capture->wire_count) {
        return jl_complain(complaint,
                           "%s: no wires are declared: expected $var before "
                           "$enddefinitions",
                           source->path);
    }
    return true;
}

/* ---- changes ---- */

static bool read_time(struct jl_capture *capture, struct jl_complaint *complaint) {
    struct capture_source *source = &capture->source;
    const struct vcd *vcd = &capture->vcd;
    uint64_t time = 0;
    int digits = 0, c;
    for (c = source_get(source); c >= '0' && c <= '9'; c = source_get(source), digits++) {
        if (time > (UINT64_MAX / vcd->unit_ps - 9) / 10) {
            return complain_here(capture, complaint, "a time of more than", "200 days", "less");
        }
        time = time * 10 + (uint64_t)(c - '0');
    }
    if (!digits || (c != SOURCE_END && !isspace(c))) {
        char seen[2] = {(char)(c == SOURCE_END ? ' ' : c), '\0'};
        return complain_here(capture, complaint, "in a time, behind #, there is", seen, "digits");
    }
    uint64_t now = time * vcd->unit_ps / vcd->units_a_ps;
    if (now < capture->now_ps) {
        return jl_complain_at(complaint, source->path, source->line - (c == '\n'),
                              "time runs backwards: #%llu behind %llu ns; expected rising times",
                              (unsigned long long)time,
                              (unsigned long long)(capture->now_ps / 1000));
    }
    capture->now_ps = now;
    return true;
}

static void queue_level(struct jl_capture *capture, int wire, char state) {
    struct jl_capture_item *item = &capture->queue[capture->queued++];
    item->at_ps = capture->now_ps;
    item->kind = JL_ITEM_LEVEL;
    item->wire = wire;
    item->high = state == '1';
    item->known = state == '0' || state == '1';
}

/* An identifier, which stands behind its value; short ones are most of all traffic. */
static size_t read_id(struct capture_source *source, char *id, size_t room) {
    size_t length = 0;
    int c = source_get(source);
    while (c == ' ' || c == '\t') {
        c = source_get(source);
    }
    for (; c != SOURCE_END && !isspace(c); c = source_get(source)) {
        if (length + 1 < room) {
            id[length++] = (char)c;
        }
    }
    id[length] = '\0';
    return length;
}

static bool read_scalar(struct jl_capture *capture, char state, struct jl_complaint *complaint) {
    char id[32];
    if (!read_id(&capture->source, id, sizeof id)) {
        return complain_here(capture, complaint,
                             "a value without an identifier:", (char[2]){state, '\0'},
                             "one of those that were declared");
    }
    const struct vcd_net *net = find_net(&capture->vcd, id);
    for (int bit = 0; net && bit < net->bits; bit++) {
        /* a short value of a vector is filled with zeros, or with its own x or z */
        queue_level(capture, net->first_wire + bit, bit && state == '1' ? '0' : state);
    }
    return true; /* of what was not declared: passed over */
}

static bool read_vector(struct jl_capture *capture, struct jl_complaint *complaint) {
    char value[TOKEN], id[32];
    struct capture_source *source = &capture->source;
    if (!next_token(source, value, sizeof value) || !read_id(source, id, sizeof id)) {
        return complain_here(capture, complaint, "the file ends in a vector", value,
                             "its bits and an identifier");
    }
    const struct vcd_net *net = find_net(&capture->vcd, id);
    size_t length = strlen(value);
    /* Besides 0, 1, x and z there are the levels of VHDL, which tell of nothing known. */
    if (net && (strspn(value, "01xXzZuUwWlLhH-") != length || !length || length == TOKEN - 1)) {
        return complain_here(capture, complaint, "the vector", value,
                             "bits of 0, 1, x and z, no more than its wires");
    }
    char fill = value[0] == '1' || !length ? '0' : value[0];
    for (int bit = 0; net && bit < net->bits; bit++) {
        char state = (size_t)bit < length ? value[length - 1 - (size_t)bit] : fill;
        queue_level(capture, net->first_wire + bit, state);
    }
    return true;
}

/*
 * The same as below, for lines as most dumps have them, while they lie in the buffer as a whole:
 * "#TIME" and "0!" or "1!" with an identifier of one letter. Stops before anything else.
 */
static void take_usual_lines(struct jl_capture *capture) {
    struct capture_source *source = &capture->source;
    const struct vcd *vcd = &capture->vcd;
    enum { LONGEST = 32, MOST_DIGITS = 15 };
    while (source->end - source->at > LONGEST && capture->queued + MOST_BITS <= MOST_QUEUED) {
        const unsigned char *at = source->bytes + source->at;
        if (at[0] == '#') {
            uint64_t time = 0;
            int digits = 1;
            for (; at[digits] >= '0' && at[digits] <= '9' && digits <= MOST_DIGITS; digits++) {
                time = time * 10 + (uint64_t)(at[digits] - '0');
            }
            if (digits == 1 || at[digits] != '\n' || time > UINT64_MAX / vcd->unit_ps) {
                return;
            }
            uint64_t now = time * vcd->unit_ps / vcd->units_a_ps;
            if (now < capture->now_ps) {
                return; /* to be told */
            }
            capture->now_ps = now;
            source->at += (size_t)digits + 1;
        } else if ((at[0] == '0' || at[0] == '1') && at[1] < 128 && at[2] == '\n' &&
                   vcd->of_letter[at[1]] >= 0) {
            queue_level(capture, vcd->nets[vcd->of_letter[at[1]]].first_wire, (char)at[0]);
            source->at += 3;
        } else {
            return;
        }
        source->line++;
    }
}

/* Some more changes. */
bool jl_host_vcd_more(struct jl_capture *capture, struct jl_complaint *complaint) {
    struct capture_source *source = &capture->source;
    take_usual_lines(capture);
    while (capture->queued + MOST_BITS <= MOST_QUEUED) {
        int c = source_get(source);
        bool good = true;
        char token[TOKEN], id[32];
        switch (c) {
        case SOURCE_END:
            return capture->queued > 0;
        case ' ':
        case '\t':
        case '\r':
        case '\n':
            break;
        case '#':
            good = read_time(capture, complaint);
            break;
        case '0':
        case '1':
        case 'x':
        case 'X':
        case 'z':
        case 'Z':
            good = read_scalar(capture, (char)c, complaint);
            break;
        case 'b':
        case 'B':
            good = read_vector(capture, complaint);
            break;
        case 'r':
        case 'R':
        case 's':
        case 'S':
            good = next_token(source, token, sizeof token) && read_id(source, id, sizeof id);
            break;
        case '$':
            /* $dumpvars and its like hold changes; $comment holds words. */
            next_token(source, token, sizeof token);
            if (strcmp(token, "comment") == 0) {
                skip_to_end(source);
            }
            break;
        default:
            token[0] = (char)c;
            token[1] = '\0';
            good = complain_here(capture, complaint, "a change begins with", token,
                                 "#, 0, 1, x, z, b or r");
            break;
        }
        if (!good) {
            return false;
        }
    }
    return true;
}
