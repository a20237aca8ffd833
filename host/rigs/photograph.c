/* What is on the glass of a rig, as a person sees the mounted panel. */
#include "jadelamp/host/file.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/rig.h"

/* Pixels of the longer side of a photo whose scale nobody chose. */
#define WHOLE_PHOTO 1024

#define LIGHT_UP_PS 200000000000u

/* Turns a picture of the upright glass back by what the card turns, in place. */
static bool mount(const struct jl_rig *rig, struct jl_picture *picture) {
    struct jl_picture upright = *picture;
    int back = (4 - (rig->card.turn & 3)) & 3;
    if (back == 0) {
        return true;
    }
    bool good = jl_picture_turn(&upright, back, picture);
    jl_picture_free(&upright);
    return good;
}

bool jl_rig_look(struct jl_rig *rig, struct jl_picture *glass) {
    return jl_device_picture(rig->device, glass) && mount(rig, glass);
}

static int scale_of(const struct jl_glass *look, int wanted) {
    int longest = look->width > look->height ? look->width : look->height;
    int fitting = WHOLE_PHOTO / longest;
    return wanted ? wanted : fitting < 2 ? 2 : fitting > 8 ? 8 : fitting;
}

bool jl_rig_photo(struct jl_rig *rig, int scale, struct jl_picture *photo) {
    struct jl_picture upright;
    struct jl_device *device = rig->device;
    if (!jl_device_picture(device, &upright)) {
        return false;
    }
    bool good = jl_glass_photo(jl_device_glass(device), &upright, jl_device_brightness(device),
                               jl_device_light_on(device), scale, photo) &&
                mount(rig, photo);
    jl_picture_free(&upright);
    return good;
}

static bool write_and_free(struct jl_picture *picture, const char *directory, const char *base,
                           const char *ending, struct jl_complaint *complaint) {
    char path[1024];
    bool good = jl_path_join(path, sizeof path, directory, base, ending, complaint) &&
                jl_png_write(path, picture, complaint);
    jl_picture_free(picture);
    return good;
}

bool jl_rig_photograph(struct jl_rig *rig, const char *directory, const char *base, int scale,
                       struct jl_complaint *complaint) {
    struct jl_picture picture;
    if (scale != 0 && (scale < 2 || scale > 32)) {
        return jl_complain(complaint, "cannot make the photo at scale %d: expected 2 to 32", scale);
    }
    jl_board_wait_ps(rig->board, LIGHT_UP_PS);
    if (!jl_directory_make(directory, complaint)) {
        return false;
    }
    if (!jl_rig_look(rig, &picture)) {
        return jl_complain(complaint, "out of memory for the picture of %s", rig->card.name);
    }
    if (!write_and_free(&picture, directory, base, "-glass.png", complaint)) {
        return false;
    }
    if (!jl_rig_photo(rig, scale_of(jl_device_glass(rig->device), scale), &picture)) {
        return jl_complain(complaint, "out of memory for the photo of %s", rig->card.name);
    }
    return write_and_free(&picture, directory, base, "-photo.png", complaint);
}
