/* Memory of pictures. */
#include "jadelamp/sim/picture.h"

#include <stdlib.h>

bool jl_picture_create(struct jl_picture *picture, int width, int height) {
    picture->rgb = NULL;
    picture->width = width;
    picture->height = height;
    if (width < 1 || height < 1 || width > INT16_MAX || height > INT16_MAX) {
        return false;
    }
    picture->rgb = calloc((size_t)width * (size_t)height, 3);
    return picture->rgb != NULL;
}

void jl_picture_free(struct jl_picture *picture) {
    free(picture->rgb);
    picture->rgb = NULL;
}
