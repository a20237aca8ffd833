#include "notebook.h"

#include <stdio.h>
#include <string.h>

#include "harness.h"

static void note(struct notebook *book, const char *text) {
    size_t length = strlen(text);
    if (book->length + length < sizeof book->text) {
        memcpy(book->text + book->length, text, length + 1);
        book->length += length;
    }
}

jl_status note_send(void *context, const struct jl_transfer *t) {
    struct notebook *book = context;
    char byte[4];
    EXPECT(book->selected);
    book->transfers++;
    note(book, book->length ? " " : "");
    note(book, book->data ? "D" : "C");
    for (size_t i = 0; i < t->body_bytes; i++) {
        if (i == (size_t)book->kept) {
            note(book, "..");
            break;
        }
        snprintf(byte, sizeof byte, "%02X", t->body[i]);
        note(book, byte);
    }
    return JL_OK;
}

void note_pin(void *context, enum jl_pin pin, bool high) {
    struct notebook *book = context;
    if (pin == JL_PIN_DC) {
        book->data = high;
    } else if (pin == JL_PIN_CS) {
        book->selected = high == book->selected_high;
    }
}

void note_wait(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

const struct jl_port_ops note_ops = {.send = note_send, .wait_us = note_wait, .set_pin = note_pin};
