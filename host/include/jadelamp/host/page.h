/*
 * Pages of HTML in one file, with their pictures in it: they work offline and without scripts.
 */
#ifndef JADELAMP_HOST_PAGE_H
#define JADELAMP_HOST_PAGE_H

#include "jadelamp/host/file.h"
#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/** HTML as it is. */
void jl_page_put(struct jl_file *file, const char *html);

/** Text, with what HTML would take for its own written otherwise. */
void jl_page_text(struct jl_file *file, const char *text);

/** A file as a data URL (RFC 2397), for src=""; `type`: "image/png". */
bool jl_page_file(struct jl_file *file, const char *path, const char *type,
                  struct jl_complaint *complaint);

/** A picture as one, by way of a scratch file. */
bool jl_page_picture(struct jl_file *file, const struct jl_picture *picture, const char *scratch,
                     struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
