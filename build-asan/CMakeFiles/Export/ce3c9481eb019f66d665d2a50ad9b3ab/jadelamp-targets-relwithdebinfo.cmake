#----------------------------------------------------------------
# Generated CMake target import file for configuration "RelWithDebInfo".
#----------------------------------------------------------------

# Commands may need to know the format version.
set(CMAKE_IMPORT_FILE_VERSION 1)

# Import target "jadelamp::jadelamp" for configuration "RelWithDebInfo"
set_property(TARGET jadelamp::jadelamp APPEND PROPERTY IMPORTED_CONFIGURATIONS RELWITHDEBINFO)
set_target_properties(jadelamp::jadelamp PROPERTIES
  IMPORTED_LINK_INTERFACE_LANGUAGES_RELWITHDEBINFO "C"
  IMPORTED_LOCATION_RELWITHDEBINFO "${_IMPORT_PREFIX}/lib/libjadelamp.a"
  )

list(APPEND _cmake_import_check_targets jadelamp::jadelamp )
list(APPEND _cmake_import_check_files_for_jadelamp::jadelamp "${_IMPORT_PREFIX}/lib/libjadelamp.a" )

# Import target "jadelamp::sim" for configuration "RelWithDebInfo"
set_property(TARGET jadelamp::sim APPEND PROPERTY IMPORTED_CONFIGURATIONS RELWITHDEBINFO)
set_target_properties(jadelamp::sim PROPERTIES
  IMPORTED_LINK_INTERFACE_LANGUAGES_RELWITHDEBINFO "C"
  IMPORTED_LOCATION_RELWITHDEBINFO "${_IMPORT_PREFIX}/lib/libjadelamp-sim.a"
  )

list(APPEND _cmake_import_check_targets jadelamp::sim )
list(APPEND _cmake_import_check_files_for_jadelamp::sim "${_IMPORT_PREFIX}/lib/libjadelamp-sim.a" )

# Commands beyond this point should not need to know the version.
set(CMAKE_IMPORT_FILE_VERSION)
