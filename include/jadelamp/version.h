/*
 * The version of the library, for programs that must tell which one they hold. What its numbers
 * promise: CONTRIBUTING.md, "Versions".
 */
#ifndef JADELAMP_VERSION_H
#define JADELAMP_VERSION_H

#ifdef __cplusplus
extern "C" {
#endif

#define JL_VERSION_MAJOR 0
#define JL_VERSION_MINOR 1
#define JL_VERSION_PATCH 0
#define JL_VERSION_TEXT  "0.1.0"

/** To compare with, as in JL_VERSION >= JL_VERSION_OF(0, 2, 0). */
#define JL_VERSION_OF(major, minor, patch) ((major)*10000L + (minor)*100L + (patch))
#define JL_VERSION                         JL_VERSION_OF(JL_VERSION_MAJOR, JL_VERSION_MINOR, JL_VERSION_PATCH)

/**
 * The version of the library that is linked, as JL_VERSION was when it was built: differs from
 * JL_VERSION where headers and library do not belong together. May be called from anywhere.
 */
long jl_version(void);

#ifdef __cplusplus
}
#endif

#endif
