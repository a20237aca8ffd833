# jadelamp_bake(TARGET NAME KIND FILE... [OPTIONS option...])
#
# Bakes at build time and compiles the result into TARGET: KIND is glyph, picture, frames, font or
# screen, NAME the constant, or the name that the screen sheet says, OPTIONS what `jadelamp bake KIND --help` lists. Include "NAME.h" in the source.
#
#   jadelamp_bake(firmware boat picture art/boat.png OPTIONS --format 5-6-5 --size 64x48)
#   jadelamp_bake(firmware notice_font font Sans.ttf OPTIONS --size 16 --from notice.c)
#
# The command is the target jadelamp_cli of this project, else the program jadelamp, or what
# JADELAMP_COMMAND says: a program for this machine, also where TARGET is cross-compiled.
function(jadelamp_bake target name kind)
  cmake_parse_arguments(PARSE_ARGV 3 BAKE "" "" "OPTIONS")
  if(NOT BAKE_UNPARSED_ARGUMENTS)
    message(FATAL_ERROR "jadelamp_bake(${target} ${name} ${kind}): name a file to bake")
  endif()
  if(JADELAMP_COMMAND)
    set(command ${JADELAMP_COMMAND})
  elseif(TARGET jadelamp_cli)
    set(command jadelamp_cli)
  else()
    find_program(JADELAMP_COMMAND jadelamp)
    if(NOT JADELAMP_COMMAND)
      message(FATAL_ERROR "jadelamp_bake: no jadelamp found; set JADELAMP_COMMAND")
    endif()
    set(command ${JADELAMP_COMMAND})
  endif()
  set(files)
  foreach(file ${BAKE_UNPARSED_ARGUMENTS})
    get_filename_component(file ${file} ABSOLUTE BASE_DIR ${CMAKE_CURRENT_SOURCE_DIR})
    list(APPEND files ${file})
  endforeach()
  # Files that options read make it stale, too.
  set(read)
  list(FIND BAKE_OPTIONS --from at)
  if(NOT at EQUAL -1)
    math(EXPR at "${at} + 1")
    list(GET BAKE_OPTIONS ${at} file)
    get_filename_component(read ${file} ABSOLUTE BASE_DIR ${CMAKE_CURRENT_SOURCE_DIR})
  endif()
  set(folder ${CMAKE_CURRENT_BINARY_DIR}/baked)
  set(named --name ${name})
  if(kind STREQUAL screen) # it has its name in it
    set(named)
  endif()
  add_custom_command(
    OUTPUT ${folder}/${name}.c ${folder}/${name}.h
    COMMAND ${command} bake ${kind} ${files} ${named} --into ${folder} ${BAKE_OPTIONS}
    DEPENDS ${files} ${read} ${command}
    WORKING_DIRECTORY ${CMAKE_CURRENT_SOURCE_DIR}
    COMMENT "Baking ${name}"
    VERBATIM)
  target_sources(${target} PRIVATE ${folder}/${name}.c)
  target_include_directories(${target} PRIVATE ${folder})
endfunction()
