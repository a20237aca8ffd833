/* clang-format off */
/* A file of the library as nobody in it writes, but C allows: what a bundle must still rename. */
#include   "jadelamp/status.h" /* words behind it, "quoted" too */
#include <stddef.h>
#include	"odd_own.h"
#include "../core/odd_own.h"

#define ODD_PAIR(a, b) \
    ((a) + helper(b))
#  define odd_spaced 3
#define ODD_EMPTY

// A comment of one line, that \
goes on: int helper(int not_here);

typedef struct {
    int first, (*helper)(int);
} odd_pair;
union odd_both {
    int helper;
    unsigned char bytes[sizeof(int)];
};
enum odd_kind { ODD_ONE = 1, ODD_TWO = (1 << 1), ODD_THREE };
enum { ODD_ALONE = 40 };
struct odd_named {
    int helper;
    union {
        int x, y;
    };
    struct odd_inner {
        unsigned z : 3;
    } inner;
} odd_tentative;

static int helper(int helper_value);
extern int jl_odd_outside;
int jl_odd_outside = 5;
struct odd_later;
struct odd_later *jl_odd_later = NULL;
_Static_assert(sizeof(int) >= 2, "an int (of two bytes) \")\"");
__attribute__((noinline)) static int most(int number) ODD_EMPTY {
    enum inner { LESS, MORE } which = number > 0 ? MORE : LESS;
#if 1
    return which == MORE ? number : 0;
#else
    return helper(';');
#endif
}
static int (*const odd_calls[])(int) = {helper, &helper, most};
static int (*const *odd_first)(int) = odd_calls;
static const char odd_text[] = "a \"helper\" \\", odd_letter = '\'';
static const struct odd_named odd_value = {.helper = 4, .x = odd_spaced, .inner = {.z = 2u}};

static int helper(int helper_value) {
    odd_pair pair = {helper_value, most};
    odd_pair *at = &pair;
    union odd_both both = {.helper = 1};
    return at->helper(pair.first) + both.helper;
}

int jl_odd(int number);
int jl_odd(int number) {
    odd_tentative.helper = ODD_THREE;
    /* 1 + 41 + 42 + 4 + 3 + 2 + 3 + 12 + 39 + 5 + 7 */
    return number + ODD_PAIR(0, ODD_ALONE) + (*odd_first)(ODD_ALONE + 1) + odd_value.helper + odd_value.x +
           (int)odd_value.inner.z + odd_tentative.helper + (int)(sizeof odd_text - 1) + odd_letter + jl_odd_outside +
           odd_own(7) + (jl_odd_later != NULL);
}
static inline int odd_end(void) { return 0; }