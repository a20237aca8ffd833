/* Baked pictures as C. */
#include "c_files.h"
#include "jadelamp/host/bake_picture.h"

/* What a reader of the header wants to know before linking it. */
static void write_facts(FILE *stream, const struct jl_baked_picture *baked) {
    const struct jl_image *image = &baked->image;
    size_t palette = (size_t)baked->palette_count * sizeof(jl_color);
    fprintf(stream, "/*\n * %d x %d pixels, %s: %s.\n * ", image->width, image->height,
            jl_bake_format_name(image->format), jl_bake_format_order(image->format));
    if (image->packing) {
        fprintf(stream, "%zu bytes of pixels, packed from %zu", baked->pixel_bytes,
                baked->plain_bytes);
    } else {
        fprintf(stream, "%zu bytes of pixels", baked->pixel_bytes);
    }
    if (baked->mask_bytes) {
        fprintf(stream, ", %zu of a mask with %d bits a pixel", baked->mask_bytes,
                image->mask_bits);
    }
    if (palette) {
        fprintf(stream, ", %zu of palette", palette);
    }
    if (image->has_key) {
        fprintf(stream, "; #%06X is clear", (unsigned)image->key);
    }
    fprintf(stream, ".\n */\n");
}

static void write_palette(FILE *stream, const struct jl_baked_picture *baked) {
    fprintf(stream, "static const jl_color palette[%d] = {\n", baked->palette_count);
    for (int i = 0; i < baked->palette_count; i++) {
        fprintf(stream, "%s0x%06X,%s", i % 8 ? " " : "    ", (unsigned)baked->palette[i],
                i % 8 == 7 || i == baked->palette_count - 1 ? "\n" : "");
    }
    fprintf(stream, "};\n\n");
}

static void write_image(FILE *stream, const struct jl_baked_picture *baked, const char *name) {
    const struct jl_image *image = &baked->image;
    fprintf(stream, "const struct jl_image %s = {\n    .format = &%s,\n    .pixels = pixels,\n",
            name, jl_bake_format_constant(image->format));
    fprintf(stream, "    .width = %d,\n    .height = %d,\n", image->width, image->height);
    if (image->has_key) {
        fprintf(stream, "    .has_key = true,\n    .key = 0x%06X,\n", (unsigned)image->key);
    }
    if (baked->palette_count) {
        fprintf(stream, "    .palette = palette,\n");
    }
    if (baked->mask_bytes) {
        fprintf(stream, "    .mask = mask,\n    .mask_bits = %d,\n", image->mask_bits);
    }
    fprintf(stream, "    .packing = %s,\n", jl_host_c_packing(image));
    fprintf(stream, "};\n");
}

bool jl_baked_picture_write(const struct jl_baked_picture *baked, const char *directory,
                            const char *name, const char *made, struct jl_complaint *complaint) {
    struct c_files files;
    if (!jl_host_c_files_begin(&files, directory, name, made, "jadelamp/image.h", complaint)) {
        return false;
    }
    FILE *body = files.body.stream;
    write_facts(files.header.stream, baked);
    fprintf(files.header.stream, "extern const struct jl_image %s;\n", name);
    if (baked->palette_count) {
        write_palette(body, baked);
    }
    fprintf(body, "%sstatic const uint8_t JL_FLASH pixels[%zu] = {\n",
            baked->image.format == &jl_rgb565_cpu || baked->image.format == &jl_xrgb8888
                ? "_Alignas(4) "
                : "",
            baked->pixel_bytes);
    jl_host_c_write_bytes(body, baked->pixels, baked->pixel_bytes);
    fprintf(body, "};\n\n");
    if (baked->mask_bytes) {
        fprintf(body, "static const uint8_t mask[%zu] = {\n", baked->mask_bytes);
        jl_host_c_write_bytes(body, baked->mask, baked->mask_bytes);
        fprintf(body, "};\n\n");
    }
    write_image(body, baked, name);
    return jl_host_c_files_commit(&files, complaint);
}
