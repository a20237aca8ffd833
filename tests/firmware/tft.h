/* An ili9341 for firmware without our library: who includes this has WIRES, CS, DC, RESET and
 * put(). */
#ifndef TFT_H
#define TFT_H

static void command(uint8_t opcode, const uint8_t *arguments, uint8_t count) {
    WIRES &= (uint8_t) ~(CS | DC);
    put(opcode);
    WIRES |= DC;
    while (count--) {
        put(*arguments++);
    }
}

static void end(void) {
    WIRES |= CS;
}

static void window(uint8_t top, uint8_t last_column, uint8_t rows) {
    const uint8_t columns[] = {0, 0, 0, last_column},
                  pages[] = {0, top, 0, (uint8_t)(top + rows - 1)};
    command(0x2A, columns, 4);
    command(0x2B, pages, 4);
}

static void draw_bits(uint8_t top, uint32_t bits) {
    window(top, 23, 4);
    command(0x2C, 0, 0);
    for (uint8_t i = 0; i < 4 * 24; i++) {
        uint8_t level = bits >> (23 - i % 24) & 1 ? 0xFF : 0;
        put(level);
        put(level);
    }
    end();
}

static void wake(void) {
    static const uint8_t depth = 0x55; /* 16 bits a pixel */
    command(0x11, 0, 0);
    end();
    _delay_ms(120);
    command(0x3A, &depth, 1);
    end();
}

/* What was drawn is shown. */
static void show(void) {
    command(0x29, 0, 0);
    end();
}

#endif
