/* Suspects as contact sheets, and as a page. */
#include <stdio.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/page.h"
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

/* ---- the page ---- */

static bool put_tile(struct jl_file *file, const struct jl_picture *picture, const char *mistake,
                     const char *remedy, const char *dark, const char *scratch,
                     struct jl_complaint *complaint) {
    jl_page_put(file, "<figure><img alt=\"\" src=\"");
    bool good = jl_page_picture(file, picture, scratch, complaint);
    jl_page_put(file, "\"><figcaption><b>");
    jl_page_text(file, mistake);
    jl_page_put(file, "</b>");
    if (dark) {
        jl_page_put(file, "<br>dark: ");
        jl_page_text(file, dark);
    }
    if (remedy) {
        jl_page_put(file, "<br>");
        jl_page_text(file, remedy);
    }
    jl_page_put(file, "</figcaption></figure>\n");
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
    jl_page_put(&file, "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>");
    jl_page_text(&file, base);
    jl_page_put(
        &file,
        ": suspects</title>\n<style>body{font:15px sans-serif;margin:24px;background:#f4f5f6;"
        "color:#1c2024}main{display:flex;flex-wrap:wrap;gap:18px}figure{margin:0;width:300px}"
        "img{width:300px;border-radius:4px}figcaption{padding:6px 2px}</style></head>\n"
        "<body><h1>");
    jl_page_text(&file, base);
    jl_page_put(&file,
                ": what each likely mistake looks like</h1>\n<p>Find your glass, and read what "
                "helps. Each picture is what the emulated controller makes of the mistake.</p>\n"
                "<main>\n");
    bool good =
        put_tile(&file, &suspects->right, "as it should be", NULL, NULL, scratch, complaint);
    for (int i = 0; i < suspects->count && good; i++) {
        good = put_tile(&file, &suspects->photos[i], suspects->list[i].mistake,
                        suspects->list[i].remedy, suspects->dark[i], scratch, complaint);
    }
    jl_page_put(&file, "</main></body></html>\n");
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
