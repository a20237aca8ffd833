/* What the ways of scanning out share. */
#ifndef JADELAMP_SRC_SCANOUT_H
#define JADELAMP_SRC_SCANOUT_H

#include "jadelamp/scanout.h"

/* Description, port and format, and what follows from them. */
jl_status jl_scanout_check(const struct jl_scanout_config *config, const struct jl_port *port,
                           const struct jl_format *format, struct jl_scanout_sums *sums);

void jl_scanout_clean(const struct jl_port *port, const void *from, size_t bytes);

/* Makes it empty, and checks all but the memory; then the frame is set up over the first buffer,
 * and it begins. */
jl_status jl_scanout_prepare(struct jl_scanout *scan, const struct jl_scanout_config *config,
                             const struct jl_port *port, const struct jl_format *format,
                             const void *first, const void *second);
void jl_scanout_begin(struct jl_scanout *scan, const struct jl_port *port, void *second);

#endif
