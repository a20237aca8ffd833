#include "vcd.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

bool vcd_take(void *context, const char *text, size_t bytes) {
    struct vcd_text *sink = context;
    if (sink->refuse_after && sink->length + bytes > sink->refuse_after) {
        return false;
    }
    if (sink->length + bytes + 1 > sink->room) {
        sink->room = (sink->length + bytes) * 2 + 1024;
        sink->text = realloc(sink->text, sink->room);
    }
    memcpy(sink->text + sink->length, text, bytes);
    sink->length += bytes;
    sink->text[sink->length] = '\0';
    return true;
}

static void add_edge(struct vcd *vcd, const char *id, bool high, uint64_t ns) {
    for (int wire = 0; wire < vcd->wire_count; wire++) {
        /* One identifier may be declared in several scopes: the change is for all. */
        if (strcmp(vcd->wires[wire].id, id) == 0) {
            vcd->edges[vcd->edge_count++] = (struct vcd_edge){ns, wire, high};
        }
    }
}

struct vcd vcd_parse(const char *text) {
    struct vcd vcd = {.good = true};
    char scope[40] = "", word[64];
    bool in_body = false;
    uint64_t ns = 0;
    size_t lines = 1;
    for (const char *c = text; *c; c++) {
        lines += *c == '\n';
    }
    vcd.edges = malloc(sizeof *vcd.edges * lines * 4);
    while (vcd.edges && *text) {
        size_t length = strcspn(text, "\n");
        char line[160];
        snprintf(line, sizeof line, "%.*s", (int)length, text);
        text += length + (text[length] == '\n');
        if (!in_body) {
            int w = vcd.wire_count;
            if (sscanf(line, "$scope module %39s $end", scope) == 1) {
                continue;
            }
            if (w < VCD_WIRES && sscanf(line, "$var wire 1 %3s %15s $end", vcd.wires[w].id,
                                        vcd.wires[w].name) == 2) {
                snprintf(vcd.wires[w].scope, sizeof vcd.wires[w].scope, "%s", scope);
                vcd.wire_count++;
            }
            vcd.good = vcd.good && (line[0] == '$');
            in_body = strncmp(line, "$enddefinitions", 15) == 0;
        } else if (line[0] == '#') {
            uint64_t next = strtoull(line + 1, NULL, 10);
            vcd.good = vcd.good && next >= ns;
            ns = next;
        } else if (line[0] == '0' || line[0] == '1') {
            add_edge(&vcd, line + 1, line[0] == '1', ns);
        } else if (sscanf(line, "$%60s", word) != 1) {
            vcd.good = false;
        }
    }
    vcd.end_ns = ns;
    return vcd;
}

void vcd_free(struct vcd *vcd) {
    free(vcd->edges);
}

int vcd_wire(const struct vcd *vcd, const char *scope, const char *name) {
    for (int i = 0; i < vcd->wire_count; i++) {
        if (strcmp(vcd->wires[i].scope, scope) == 0 && strcmp(vcd->wires[i].name, name) == 0) {
            return i;
        }
    }
    return -1;
}

static void least(uint64_t *shortest, uint64_t ns) {
    if (ns < *shortest) {
        *shortest = ns;
    }
}

static void token(struct bus_log *log, char kind, uint8_t byte, uint64_t ns) {
    if (log->count < VCD_TOKENS) {
        log->tokens[log->count++] = (struct bus_token){kind, byte, ns};
    }
}

void decode_i2c(const struct vcd *vcd, int scl_wire, int sda_wire, struct bus_log *log) {
    bool scl = true, sda = true, open = false, seen_stop = false;
    uint64_t scl_edge = 0, sda_edge = 0, stop_ns = 0;
    int bits = 0;
    unsigned byte = 0;
    memset(log, 0, sizeof *log);
    log->low = log->high = log->data_setup = log->start_hold = log->stop_setup = log->bus_free =
        UINT64_MAX;
    bool after_start = false;
    for (size_t i = 0; i < vcd->edge_count; i++) {
        const struct vcd_edge *edge = &vcd->edges[i];
        if (edge->wire == sda_wire && edge->high != sda) {
            sda = edge->high;
            if (scl && !sda) {
                if (seen_stop) {
                    least(&log->bus_free, edge->ns - stop_ns);
                }
                token(log, 'S', 0, edge->ns);
                open = after_start = true;
                bits = 0;
                byte = 0;
            } else if (scl && sda && open) {
                /* A byte was never left half done: one bit is the clock that made the STOP. */
                log->changed_while_high |= bits > 1;
                least(&log->stop_setup, edge->ns - scl_edge);
                token(log, 'P', 0, edge->ns);
                open = false;
                seen_stop = true;
                stop_ns = edge->ns;
            }
            sda_edge = edge->ns;
        } else if (edge->wire == scl_wire && edge->high != scl) {
            scl = edge->high;
            if (!scl && after_start) {
                least(&log->start_hold, edge->ns - sda_edge);
                after_start = false;
            } else if (!scl && open && bits > 0) {
                least(&log->high, edge->ns - scl_edge);
            } else if (scl && open) {
                least(&log->low, edge->ns - scl_edge);
                least(&log->data_setup, edge->ns - sda_edge);
            }
            if (scl && open) {
                if (++bits == 9) {
                    token(log, sda ? 'N' : 'A', (uint8_t)byte, edge->ns);
                    bits = 0;
                    byte = 0;
                } else {
                    byte = byte << 1 | sda;
                }
            }
            scl_edge = edge->ns;
        }
    }
}

void decode_spi(const struct vcd *vcd, int cs_wire, int sck_wire, int mosi_wire, int dc_wire,
                struct bus_log *log) {
    bool cs = true, sck = false, mosi = false, dc = true;
    uint64_t mosi_edge = 0, sck_edge = 0;
    int bits = 0;
    unsigned byte = 0;
    memset(log, 0, sizeof *log);
    log->low = log->high = log->data_setup = UINT64_MAX;
    for (size_t i = 0; i < vcd->edge_count; i++) {
        const struct vcd_edge *edge = &vcd->edges[i];
        if (edge->wire == cs_wire) {
            cs = edge->high;
            log->changed_while_high |= bits != 0; /* CS moved inside a byte */
        } else if (edge->wire == dc_wire) {
            dc = edge->high;
            log->changed_while_high |= bits != 0;
        } else if (edge->wire == mosi_wire) {
            mosi = edge->high;
            mosi_edge = edge->ns;
        } else if (edge->wire == sck_wire && edge->high != sck) {
            sck = edge->high;
            if (sck && !cs) {
                least(&log->data_setup, edge->ns - mosi_edge);
                byte = byte << 1 | mosi;
                if (++bits == 8) {
                    token(log, dc ? 'D' : 'C', (uint8_t)byte, edge->ns);
                    bits = 0;
                    byte = 0;
                }
            } else if (!sck) {
                least(&log->high, edge->ns - sck_edge);
            }
            sck_edge = edge->ns;
        }
    }
}
