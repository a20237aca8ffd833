#ifndef ODD_OWN_H
#define ODD_OWN_H
static inline int odd_own(int helper) {
    return helper;
}
#if 1
#endif
#endif
