/* Names of identities. Apart, so that programs that only compare do not carry them. */
#include "jadelamp/readback.h"

/* Whether they come by 04h or D3h does not matter: no two are alike. */
static const struct {
    uint32_t id;
    char part[8];
} known[] = {
    {0x858552, "st7789"},  /* datasheet 04h: 85h, 85h, 52h */
    {0x7C89F0, "st7735"},  /* planning value; to be checked on a module */
    {0x009A01, "gc9a01"},  /* datasheet 04h: 00h, 9Ah, 01h */
    {0x009341, "ili9341"}, /* datasheet D3h: 00h, 93h, 41h */
    {0x009488, "ili9488"}, /* datasheet D3h: 00h, 94h, 88h */
    {0x007796, "st7796"},  /* D3h: 00h, 77h, 96h */
    {0x548066, "ili9163"}, /* 04h: 54h, 80h, 66h; to be checked on a module */
};

const char *jl_part_of_id(uint32_t id) {
    for (size_t i = 0; i < sizeof known / sizeof known[0]; i++) {
        if (known[i].id == id) {
            return known[i].part;
        }
    }
    return NULL;
}
