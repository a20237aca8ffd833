/* Made by jadelamp bake font wqy-microhei.ttc --name notice_cjk --into baked --size 16 --bits 4 --text 船闸关闭 */
#ifndef NOTICE_CJK_H
#define NOTICE_CJK_H

#include "jadelamp/font.h"

/*
 * WenQuanYi Micro Hei Regular: 4 characters in lines of 19 pixels, 4 bits a pixel, 548 bytes.
 */
extern const struct jl_font notice_cjk;
enum { notice_cjk_bytes = 548 };

#endif
