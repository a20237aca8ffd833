#----------------------------------------------------------------
# Generated CMake target import file for configuration "RelWithDebInfo".
#----------------------------------------------------------------

# Commands may need to know the format version.
set(CMAKE_IMPORT_FILE_VERSION 1)

# Import target "jadelamp::window" for configuration "RelWithDebInfo"
set_property(TARGET jadelamp::window APPEND PROPERTY IMPORTED_CONFIGURATIONS RELWITHDEBINFO)
set_target_properties(jadelamp::window PROPERTIES
  IMPORTED_LINK_INTERFACE_LANGUAGES_RELWITHDEBINFO "C"
  IMPORTED_LOCATION_RELWITHDEBINFO "${_IMPORT_PREFIX}/lib/libjadelamp-window.a"
  )

list(APPEND _cmake_import_check_targets jadelamp::window )
list(APPEND _cmake_import_check_files_for_jadelamp::window "${_IMPORT_PREFIX}/lib/libjadelamp-window.a" )

# Commands beyond this point should not need to know the version.
set(CMAKE_IMPORT_FILE_VERSION)
