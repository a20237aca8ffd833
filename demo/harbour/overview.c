/* The harbour at a glance: all boards in one picture, and a page to click through. */
#include <stdio.h>
#include <string.h>

#include "jadelamp/demo/harbour.h"
#include "jadelamp/host/page.h"
#include "jadelamp/host/pixmap.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/sheet.h"

enum { VIEWS = 1 + JL_DEMO_BOARDS + JL_DEMO_CONSOLES, COLUMNS = 4, CELL_W = 300, CELL_H = 200 };

/* What one of them is called, and what is to be seen of it. */
struct view {
    const char *name, *base, *kind; /* BASE-KIND.png */
    const struct jl_card *card;     /* NULL: the quay gauge, told of elsewhere */
    const struct jl_demo_board *board;
    const struct jl_demo_console *console;
};

static void list_views(const struct jl_demo_board *boards, const struct jl_demo_console *consoles,
                       struct view views[VIEWS]) {
    int count = 0;
    views[count++] =
        (struct view){.name = "quay gauge", .base = "quay-gauge-last", .kind = "photo"};
    for (int i = 0; i < JL_DEMO_BOARDS; i++) {
        views[count++] = (struct view){.name = boards[i].card.name,
                                       .base = boards[i].base,
                                       .kind = "photo",
                                       .card = &boards[i].card,
                                       .board = &boards[i]};
    }
    for (int i = 0; i < JL_DEMO_CONSOLES; i++) {
        views[count++] = (struct view){.name = consoles[i].card.name,
                                       .base = consoles[i].base,
                                       .kind = "film",
                                       .card = &consoles[i].card,
                                       .console = &consoles[i]};
    }
}

static void put_path(char *out, size_t size, const char *directory, const struct view *view) {
    snprintf(out, size, "%s/%s-%s.png", directory, view->base, view->kind);
}

/* ---- one picture of all ---- */

/* In the middle of a white cell, made smaller where it is larger. */
static bool put_in_cell(const char *path, struct jl_picture *cell, struct jl_complaint *complaint) {
    struct jl_pixmap photo = {0};
    if (!jl_pixmap_read(path, &photo, complaint)) {
        return false;
    }
    bool wide = (long)photo.width * CELL_H > (long)photo.height * CELL_W;
    int w = wide ? CELL_W : (int)((long)photo.width * CELL_H / photo.height);
    int h = wide ? (int)((long)photo.height * CELL_W / photo.width) : CELL_H;
    bool smaller = w < photo.width;
    bool good = (!smaller || jl_pixmap_scale(&photo, w > 0 ? w : 1, h > 0 ? h : 1)) &&
                jl_picture_create(cell, CELL_W, CELL_H);
    if (good) {
        memset(cell->rgb, 255, (size_t)CELL_W * CELL_H * 3);
        for (int y = 0; y < photo.height; y++) {
            for (int x = 0; x < photo.width; x++) {
                const uint8_t *from =
                    photo.rgba + ((size_t)y * (size_t)photo.width + (size_t)x) * 4;
                memcpy(jl_picture_at(cell, (CELL_W - photo.width) / 2 + x,
                                     (CELL_H - photo.height) / 2 + y),
                       from, 3);
            }
        }
    } else {
        jl_complain(complaint, "out of memory for the picture of the harbour");
    }
    jl_pixmap_free(&photo);
    return good;
}

static bool write_sheet(const char *directory, const struct view views[VIEWS],
                        struct jl_complaint *complaint) {
    struct jl_picture cells[VIEWS] = {{0}}, sheet = {0};
    const char *captions[VIEWS];
    char path[1100];
    bool good = true;
    for (int i = 0; i < VIEWS && good; i++) {
        captions[i] = views[i].name;
        put_path(path, sizeof path, directory, &views[i]);
        good = put_in_cell(path, &cells[i], complaint);
    }
    snprintf(path, sizeof path, "%s/harbour.png", directory);
    if (good && !jl_sheet_create(&sheet, cells, captions, VIEWS, COLUMNS)) {
        good = jl_complain(complaint, "out of memory for the picture of the harbour");
    }
    good = good && jl_png_write(path, &sheet, complaint);
    jl_picture_free(&sheet);
    for (int i = 0; i < VIEWS; i++) {
        jl_picture_free(&cells[i]);
    }
    return good;
}

/* ---- a page to click through ---- */

/* Without scripts: a link chooses which section is shown. */
static const char head[] =
    "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\">"
    "<title>Heron Quay</title>\n<meta name=\"viewport\" content=\"width=device-width\">\n<style>\n"
    "body{font:16px/1.5 sans-serif;margin:0;background:#f4f5f3;color:#1f2a30}\n"
    "header,main{max-width:1100px;margin:auto;padding:12px 20px}\n"
    "h1{margin:8px 0 0}nav{display:flex;flex-wrap:wrap;gap:8px;margin:14px 0}\n"
    "nav a{padding:5px 12px;background:#fff;border:1px solid #c4ccc8;border-radius:14px;"
    "color:inherit;text-decoration:none}\n"
    "nav a:hover,nav a:focus{background:#1f5d63;color:#fff}\n"
    "section{display:none;scroll-margin-top:100vh}section:target{display:block}\n"
    "main:not(:has(:target)) #all{display:block}\n"
    ".grid{display:grid;grid-template-columns:repeat(auto-fill,minmax(240px,1fr));gap:16px}\n"
    ".grid a{background:#fff;border:1px solid #d5dbd8;padding:10px;text-align:center;"
    "color:inherit;text-decoration:none}\n"
    ".grid img{max-width:100%;height:150px;object-fit:contain}\n"
    ".big{max-width:100%;max-height:60vh;background:#fff;border:1px solid #d5dbd8}\n"
    ".view{display:flex;flex-wrap:wrap;gap:24px;align-items:flex-start}\n"
    "td{padding:2px 18px 2px 0;vertical-align:top}.next{float:right;color:#1f5d63}\n"
    "</style></head>\n<body><header><h1>Heron Quay</h1>\n"
    "<p>A harbour that is made up, with its small displays, as emulated controllers show them. "
    "Choose one.</p>\n<nav><a href=\"#all\">all of them</a>\n";

static void put_row(struct jl_file *file, const char *what, const char *format, double value) {
    char text[80];
    snprintf(text, sizeof text, format, value);
    jl_page_put(file, "<tr><td>");
    jl_page_text(file, what);
    jl_page_put(file, "</td><td>");
    jl_page_text(file, text);
    jl_page_put(file, "</td></tr>\n");
}

static void put_facts(struct jl_file *file, const struct view *view) {
    char text[120];
    if (!view->card) {
        jl_page_put(file, "<p>ssd1306, 128x64: every reading sends only what changed.</p>\n");
        return;
    }
    snprintf(text, sizeof text, "%s, %dx%d%s", view->card->controller->name, view->card->width,
             view->card->height, view->card->cells.bus ? " cells" : "");
    jl_page_put(file, "<p>");
    jl_page_text(file, text);
    jl_page_put(file, view->board ? ": " : ", worked with ");
    jl_page_text(file, view->board ? view->board->way : view->console->hands);
    jl_page_put(file, ".</p>\n<table>\n");
    if (view->board) {
        put_row(file, "RAM for pixels", "%.0f bytes", (double)view->board->pixel_bytes);
        put_row(file, "first picture", "%.2f ms", view->board->first.microseconds / 1e3);
        put_row(file, "bytes on the bus for it", "%.0f", (double)view->board->first.bytes);
        put_row(file, "next picture", "%.2f ms", view->board->second.microseconds / 1e3);
        put_row(file, "bytes on the bus for it", "%.0f", (double)view->board->second.bytes);
    } else {
        put_row(file, "time that is shown", "%.1f s", view->console->seconds);
        put_row(file, "events of hands", "%.0f", view->console->events);
        put_row(file, "pictures", "%.0f", view->console->presents);
    }
    jl_page_put(file, "</table>\n");
}

static void put_link(struct jl_file *file, const char *before, int to, const char *name,
                     const char *after) {
    char number[40];
    snprintf(number, sizeof number, "<a %shref=\"#b%d\">", before, to);
    jl_page_put(file, number);
    jl_page_text(file, name);
    jl_page_put(file, after);
}

static bool put_image(struct jl_file *file, const char *class, const char *directory,
                      const struct view *view, struct jl_complaint *complaint) {
    char path[1100];
    put_path(path, sizeof path, directory, view);
    jl_page_put(file, class);
    jl_page_text(file, view->name);
    jl_page_put(file, "\" src=\"");
    bool good = jl_page_file(file, path, "image/png", complaint);
    jl_page_put(file, "\">");
    return good;
}

static bool put_page(struct jl_file *file, const char *directory, const struct view views[VIEWS],
                     struct jl_complaint *complaint) {
    char number[40];
    bool good = true;
    jl_page_put(file, head);
    for (int i = 0; i < VIEWS; i++) {
        put_link(file, "", i, views[i].name, "</a>\n");
    }
    jl_page_put(file, "</nav></header>\n<main>\n");
    for (int i = 0; i < VIEWS && good; i++) {
        snprintf(number, sizeof number, "<section id=\"b%d\">\n<h2>", i);
        jl_page_put(file, number);
        put_link(file, "class=\"next\" ", (i + 1) % VIEWS, "next", "</a>");
        jl_page_text(file, views[i].name);
        jl_page_put(file, "</h2>\n<div class=\"view\">");
        good = put_image(file, "<img class=\"big\" alt=\"the ", directory, &views[i], complaint);
        jl_page_put(file, "<div>");
        put_facts(file, &views[i]);
        jl_page_put(file, "</div></div></section>\n");
    }
    jl_page_put(file, "<section id=\"all\"><div class=\"grid\">\n");
    for (int i = 0; i < VIEWS && good; i++) {
        put_link(file, "", i, "", "");
        good = put_image(file, "<img alt=\"the ", directory, &views[i], complaint);
        jl_page_put(file, "<br>");
        jl_page_text(file, views[i].name);
        jl_page_put(file, "</a>\n");
    }
    jl_page_put(file, "</div></section>\n</main></body></html>\n");
    return good;
}

bool jl_demo_overview(const char *directory, const struct jl_demo_board boards[JL_DEMO_BOARDS],
                      const struct jl_demo_console consoles[JL_DEMO_CONSOLES],
                      struct jl_complaint *complaint) {
    struct view views[VIEWS];
    struct jl_file file;
    char path[1100];
    list_views(boards, consoles, views);
    snprintf(path, sizeof path, "%s/harbour.html", directory);
    if (!write_sheet(directory, views, complaint) || !jl_file_begin(&file, path, complaint)) {
        return false;
    }
    if (!put_page(&file, directory, views, complaint)) {
        jl_file_abandon(&file);
        return false;
    }
    return jl_file_commit(&file, complaint);
}
