/* Intel HEX: ":LLAAAATT...CC" a line; types 0 data, 1 end, 2 segment, 4 upper half of the address,
 * 3 and 5 where it starts. All bytes of a line add up to 0. */
#include "firmware_formats.h"

#include <stdio.h>
#include <string.h>

enum { MOST_LINE = 600, MOST_BYTES = 255 + 5 };

static int digit(char c) {
    return c >= '0' && c <= '9'   ? c - '0'
           : c >= 'A' && c <= 'F' ? c - 'A' + 10
           : c >= 'a' && c <= 'f' ? c - 'a' + 10
                                  : -1;
}

/* Bytes of a line, or -1. */
static int read_bytes(const char *text, uint8_t bytes[MOST_BYTES]) {
    int count = 0;
    for (; text[0] && count < MOST_BYTES; text += 2) {
        int high = digit(text[0]), low = high < 0 ? -1 : digit(text[1]);
        if (low < 0) {
            return -1;
        }
        bytes[count++] = (uint8_t)(high << 4 | low);
    }
    return text[0] ? -1 : count;
}

struct hex {
    const char *path;
    int line;
    uint32_t base;
    bool ended;
};

static bool take_data(struct hex *hex, const uint8_t *bytes, struct firmware *firmware,
                      struct jl_complaint *complaint) {
    uint32_t at = hex->base + ((uint32_t)bytes[1] << 8 | bytes[2]);
    if (at > FIRMWARE_MOST_FLASH || bytes[0] > FIRMWARE_MOST_FLASH - at) {
        return jl_complain_at(complaint, hex->path, hex->line,
                              "%d bytes at %X: expected addresses below %X, the largest AVR's "
                              "flash",
                              bytes[0], at, FIRMWARE_MOST_FLASH);
    }
    memcpy(firmware->flash + at, bytes + 4, bytes[0]);
    firmware->flash_bytes =
        at + bytes[0] > firmware->flash_bytes ? at + bytes[0] : firmware->flash_bytes;
    return true;
}

static bool take_line(struct hex *hex, const char *text, struct firmware *firmware,
                      struct jl_complaint *complaint) {
    uint8_t bytes[MOST_BYTES], sum = 0;
    int count = text[0] == ':' ? read_bytes(text + 1, bytes) : -1;
    if (count < 5 || count != bytes[0] + 5) {
        return jl_complain_at(complaint, hex->path, hex->line,
                              "\"%.24s\": expected a record of Intel HEX: a colon, pairs of hex "
                              "digits, as many as the first one says and 5 more",
                              text);
    }
    for (int i = 0; i < count; i++) {
        sum = (uint8_t)(sum + bytes[i]);
    }
    if (sum) {
        return jl_complain_at(complaint, hex->path, hex->line,
                              "the check sum is %02X, expected %02X: the file is damaged",
                              bytes[count - 1], (uint8_t)(bytes[count - 1] - sum));
    }
    uint32_t value = bytes[0] == 2 ? (uint32_t)bytes[4] << 8 | bytes[5] : 0;
    switch (bytes[3]) {
    case 0:
        return take_data(hex, bytes, firmware, complaint);
    case 1:
        hex->ended = true;
        return true;
    case 2:
        hex->base = value << 4;
        return true;
    case 4:
        hex->base = value << 16;
        return true;
    case 3:
    case 5:
        return true;
    default:
        return jl_complain_at(complaint, hex->path, hex->line,
                              "a record of type %02X: Intel HEX has 00 to 05", bytes[3]);
    }
}

bool firmware_read_hex(const char *path, struct firmware *firmware,
                       struct jl_complaint *complaint) {
    struct hex hex = {.path = path};
    char text[MOST_LINE];
    FILE *in = fopen(path, "r");
    bool good = in != NULL || jl_complain(complaint, "%s: cannot be read", path);
    while (good && !hex.ended && fgets(text, sizeof text, in)) {
        hex.line++;
        text[strcspn(text, "\r\n")] = '\0';
        good = !text[0] || take_line(&hex, text, firmware, complaint);
    }
    if (in) {
        fclose(in);
    }
    if (good && !hex.ended) {
        return jl_complain_at(complaint, path, hex.line,
                              "the file ends without its last record, :00000001FF: is it whole?");
    }
    return good && (firmware->flash_bytes > 0 ||
                    jl_complain(complaint, "%s: holds no byte of a program", path));
}
