# What find_package(jadelamp) reads: the libraries, and jadelamp_bake().
include(${CMAKE_CURRENT_LIST_DIR}/jadelamp-targets.cmake)
include(${CMAKE_CURRENT_LIST_DIR}/JadelampBake.cmake)
