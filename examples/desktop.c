/* Runs an example on the desktop: a simulated board with the panel of a card, then a photo. */
#include <stdio.h>

#include "example.h"
#include "jadelamp/host/rig.h"

int main(int argc, char **argv) {
    const char *card_name = argc > 1 ? argv[1] : EXAMPLE_CARD;
    const char *directory = argc > 2 ? argv[2] : ".";
    struct jl_card card;
    struct jl_rig rig;
    struct jl_complaint complaint = {""};
    if (!jl_card_find(card_name, &card, &complaint) || !jl_rig_open(&rig, &card, &complaint)) {
        fprintf(stderr, "%s\n", complaint.text);
        return 2;
    }
    jl_status status = example_run(&rig.port);
    bool saved = jl_rig_photograph(&rig, directory, EXAMPLE_NAME, 0, &complaint);
    if (!saved) {
        fprintf(stderr, "%s\n", complaint.text);
    }
    printf("%s: %s; %.1f ms, %llu bytes on the bus; %s/%s-photo.png\n", EXAMPLE_NAME,
           jl_status_text(status), jl_rig_now_us(&rig) / 1e3,
           (unsigned long long)jl_rig_bus_bytes(&rig), directory, EXAMPLE_NAME);
    jl_rig_close(&rig);
    return saved && status == JL_OK ? 0 : 1;
}
