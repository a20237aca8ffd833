/* Memory between two processes, and how a report crosses it whole. */
#include "link.h"

#include <string.h>
#include <sys/mman.h>

uint8_t *jl_host_link_pixels(struct link *link, int panel) {
    return (uint8_t *)link + link->pixel_at[panel];
}

struct link *jl_host_link_open(const struct jl_card *cards, int count) {
    size_t at[JL_WINDOW_MOST_CARDS], bytes = sizeof(struct link);
    for (int i = 0; i < count; i++) {
        struct jl_glass cells = jl_glass_cells(cards[i].width, cards[i].height, JL_GLASS_WHITE);
        bool is_cells = cards[i].cells.bus != JL_CELLS_NONE;
        at[i] = bytes;
        bytes += 3 * (size_t)(is_cells ? cells.width : cards[i].width) *
                 (size_t)(is_cells ? cells.height : cards[i].height);
    }
    void *memory = mmap(NULL, bytes, PROT_READ | PROT_WRITE, MAP_SHARED | MAP_ANONYMOUS, -1, 0);
    if (memory == MAP_FAILED) {
        return NULL;
    }
    struct link *link = memory; /* zeroed by the system */
    link->bytes = bytes;
    memcpy(link->pixel_at, at, sizeof at[0] * (size_t)count);
    return link;
}

void jl_host_link_close(struct link *link) {
    if (link) {
        munmap(link, link->bytes);
    }
}

void jl_host_link_begin(struct link *link) {
    memset(&link->report, 0, sizeof link->report);
    atomic_store(&link->turn, 0);
    atomic_store(&link->line_count, 0);
    atomic_store(&link->alive_ps, 0);
    atomic_store(&link->granted_ps, 0);
    atomic_store(&link->quits, 0);
}

bool jl_host_link_read(struct link *link, struct link_report *report, uint8_t *pixels) {
    size_t first = link->pixel_at[0];
    unsigned before = atomic_load_explicit(&link->turn, memory_order_acquire);
    if (before & 1) {
        return false;
    }
    memcpy(report, &link->report, sizeof *report);
    memcpy(pixels, (uint8_t *)link + first, link->bytes - first);
    atomic_thread_fence(memory_order_acquire);
    return atomic_load_explicit(&link->turn, memory_order_relaxed) == before;
}
