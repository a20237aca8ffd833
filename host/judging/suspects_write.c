/* Suspects as contact sheets, and as a page. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/sheet.h"
#include "jadelamp/host/suspects.h"

enum { COLUMNS = 4 };

/* The right one first, then up to eleven others. */
static bool write_sheet(const struct jl_suspects *suspects, int first, const char *path,
                        struct jl_complaint *complaint) {
    struct jl_picture pictures[JL_SUSPECTS_PAGE];
    const char *captions[JL_SUSPECTS_PAGE];
    char texts[JL_SUSPECTS_PAGE][200];
    struct jl_picture sheet = {0};
    int count = 0;
    pictures[count] = suspects->right;
    captions[count++] = "as it should be";
    for (int i = first; i < suspects->count && count < JL_SUSPECTS_PAGE; i++) {
        const struct jl_suspect *one = &suspects->list[i];
        snprintf(texts[count], sizeof texts[count], "%s: %s", one->mistake, one->remedy);
        pictures[count] = suspects->photos[i];
        captions[count] = texts[count];
        count++;
    }
    bool good = jl_sheet_create(&sheet, pictures, captions, count, COLUMNS) ||
                jl_complain(complaint, "out of memory for a contact sheet");
    good = good && jl_png_write(path, &sheet, complaint);
    jl_picture_free(&sheet);
    return good;
}

/* ---- a page that has its pictures in it ---- */

/* RFC 4648, section 4. */
static void write_base64(struct jl_file *file, const uint8_t *bytes, size_t count) {
    static const char letters[] =
        "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
    for (size_t i = 0; i < count; i += 3) {
        size_t left = count - i < 3 ? count - i : 3;
        unsigned group = (unsigned)bytes[i] << 16 | (left > 1 ? (unsigned)bytes[i + 1] << 8 : 0) |
                         (left > 2 ? bytes[i + 2] : 0);
        char text[4] = {letters[group >> 18], letters[group >> 12 & 63],
                        left > 1 ? letters[group >> 6 & 63] : '=',
                        left > 2 ? letters[group & 63] : '='};
        jl_file_write(file, text, 4);
    }
}

/* The bytes of a PNG, by way of a file beside the page. */
static bool write_picture(struct jl_file *file, const struct jl_picture *picture,
                          const char *scratch, struct jl_complaint *complaint) {
    if (!jl_png_write(scratch, picture, complaint)) {
        return false;
    }
    FILE *stream = fopen(scratch, "rb");
    uint8_t bytes[3 * 1024];
    size_t count;
    jl_file_write(file, "data:image/png;base64,", 22);
    while (stream && (count = fread(bytes, 1, sizeof bytes, stream)) > 0) {
        write_base64(file, bytes, count);
    }
    bool good = stream && !ferror(stream);
    if (stream) {
        fclose(stream);
    }
    unlink(scratch);
    return good || jl_complain(complaint, "cannot read %s again", scratch);
}

static void put(struct jl_file *file, const char *text) {
    jl_file_write(file, text, strlen(text));
}

/* Text in HTML. */
static void put_text(struct jl_file *file, const char *text) {
    for (; *text; text++) {
        char one[2] = {*text, '\0'};
        put(file, *text == '<' ? "&lt;" : *text == '>' ? "&gt;" : *text == '&' ? "&amp;" : one);
    }
}

static bool put_tile(struct jl_file *file, const struct jl_picture *picture, const char *mistake,
                     const char *remedy, const char *dark, const char *scratch,
                     struct jl_complaint *complaint) {
    put(file, "<figure><img alt=\"\" src=\"");
    bool good = write_picture(file, picture, scratch, complaint);
    put(file, "\"><figcaption><b>");
    put_text(file, mistake);
    put(file, "</b>");
    if (dark) {
        put(file, "<br>dark: ");
        put_text(file, dark);
    }
    if (remedy) {
        put(file, "<br>");
        put_text(file, remedy);
    }
    put(file, "</figcaption></figure>\n");
    return good;
}

static bool write_page(const struct jl_suspects *suspects, const char *path, const char *base,
                       struct jl_complaint *complaint) {
    struct jl_file file = {0};
    char scratch[1100];
    snprintf(scratch, sizeof scratch, "%s.scratch.png", path);
    if (!jl_file_begin(&file, path, complaint)) {
        return false;
    }
    put(&file, "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>");
    put_text(&file, base);
    put(&file,
        ": suspects</title>\n<style>body{font:15px sans-serif;margin:24px;background:#f4f5f6;"
        "color:#1c2024}main{display:flex;flex-wrap:wrap;gap:18px}figure{margin:0;width:300px}"
        "img{width:300px;border-radius:4px}figcaption{padding:6px 2px}</style></head>\n"
        "<body><h1>");
    put_text(&file, base);
    put(&file, ": what each likely mistake looks like</h1>\n<p>Find your glass, and read what "
               "helps. Each picture is what the emulated controller makes of the mistake.</p>\n"
               "<main>\n");
    bool good =
        put_tile(&file, &suspects->right, "as it should be", NULL, NULL, scratch, complaint);
    for (int i = 0; i < suspects->count && good; i++) {
        good = put_tile(&file, &suspects->photos[i], suspects->list[i].mistake,
                        suspects->list[i].remedy, suspects->dark[i], scratch, complaint);
    }
    put(&file, "</main></body></html>\n");
    if (!good) {
        jl_file_abandon(&file);
        return false;
    }
    return jl_file_commit(&file, complaint);
}

bool jl_suspects_write(struct jl_suspects *suspects, const char *directory, const char *base,
                       struct jl_complaint *complaint) {
    char path[1024];
    bool good = jl_directory_make(directory, complaint);
    suspects->pages = 0;
    for (int first = 0; good && (first == 0 || first < suspects->count);
         first += JL_SUSPECTS_PAGE - 1) {
        char ending[40];
        snprintf(ending, sizeof ending, "-suspects-%d.png", ++suspects->pages);
        good = jl_path_join(path, sizeof path, directory, base, ending, complaint) &&
               write_sheet(suspects, first, path, complaint);
    }
    return good && jl_path_join(path, sizeof path, directory, base, "-suspects.html", complaint) &&
           write_page(suspects, path, base, complaint);
}
