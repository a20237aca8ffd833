# Man pages, completion, and packages for Debian (cpack). The runtime package has the command and the
# window, -firmware the program that holds a GPL-3 simulator, -dev the libraries, -doc the pages.
find_program(CMARK cmark-gfm)
find_program(GZIP gzip)
set(MAN_DIR ${PROJECT_BINARY_DIR}/man)
if(CMARK AND GZIP)
  add_custom_command(OUTPUT ${MAN_DIR}/made
    COMMAND ${PROJECT_SOURCE_DIR}/scripts/man-pages ${PROJECT_BINARY_DIR} ${MAN_DIR}
    COMMAND sh -c "${GZIP} -9n ${MAN_DIR}/man?/*"
    COMMAND ${CMAKE_COMMAND} -E touch ${MAN_DIR}/made
    DEPENDS jadelamp_cli scripts/man-pages README.md docs/panel-cards.md docs/screen-sheets.md VERBATIM)
  add_custom_target(man ALL DEPENDS ${MAN_DIR}/made)
  install(DIRECTORY ${MAN_DIR}/man1 ${MAN_DIR}/man5 DESTINATION ${CMAKE_INSTALL_MANDIR} COMPONENT runtime
          PATTERN jadelamp-firmware.1.gz EXCLUDE)
  if(TARGET jadelamp_firmware_cli)
    install(FILES ${MAN_DIR}/man1/jadelamp-firmware.1.gz DESTINATION ${CMAKE_INSTALL_MANDIR}/man1
            COMPONENT firmware)
  endif()
else()
  message(STATUS "cmark-gfm or gzip was not found: no man pages")
endif()

install(FILES completion/jadelamp.bash RENAME jadelamp COMPONENT runtime
        DESTINATION ${CMAKE_INSTALL_DATADIR}/bash-completion/completions)
install(FILES completion/_jadelamp DESTINATION ${CMAKE_INSTALL_DATADIR}/zsh/vendor-completions COMPONENT runtime)
install(FILES completion/jadelamp.fish DESTINATION ${CMAKE_INSTALL_DATADIR}/fish/vendor_completions.d
        COMPONENT runtime)
install(FILES README.md CHANGELOG.md DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/jadelamp-doc COMPONENT doc)
install(DIRECTORY docs/ DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/jadelamp-doc/docs COMPONENT doc)
install(DIRECTORY ${PROJECT_BINARY_DIR}/api/html DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/jadelamp-doc OPTIONAL
        COMPONENT doc)

# What each package has to say of itself, as Debian wants it.
file(MAKE_DIRECTORY ${PROJECT_BINARY_DIR}/debian)
configure_file(packaging/debian-changelog ${PROJECT_BINARY_DIR}/debian/changelog @ONLY)
foreach(component runtime firmware dev doc)
  set(package jadelamp)
  if(NOT component STREQUAL runtime)
    set(package jadelamp-${component})
  endif()
  install(FILES packaging/copyright DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/${package} COMPONENT ${component})
  if(GZIP)
    install(FILES ${PROJECT_BINARY_DIR}/debian/changelog.gz DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/${package}
            COMPONENT ${component} OPTIONAL)
  endif()
endforeach()
if(GZIP)
  execute_process(COMMAND ${GZIP} -9nkf ${PROJECT_BINARY_DIR}/debian/changelog)
endif()

set(CPACK_GENERATOR DEB)
set(CPACK_PACKAGE_NAME jadelamp)
set(CPACK_PACKAGE_VENDOR "The Jade Lamp authors")
set(CPACK_PACKAGE_CONTACT "The Jade Lamp authors <maintainers@jadelamp.example>")
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)
set(CPACK_STRIP_FILES ON)
set(CPACK_COMPONENTS_ALL runtime firmware dev doc)
set(CPACK_COMPONENTS_GROUPING IGNORE)
set(CPACK_DEB_COMPONENT_INSTALL ON)
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS ON)
set(CPACK_DEBIAN_PACKAGE_CONTROL_STRICT_PERMISSION ON)
set(CPACK_DEBIAN_RUNTIME_PACKAGE_NAME jadelamp)
set(CPACK_DEBIAN_RUNTIME_PACKAGE_SECTION electronics)
set(CPACK_DEBIAN_RUNTIME_PACKAGE_DEPENDS "libgd3") # loaded, not linked
set(CPACK_DEBIAN_RUNTIME_PACKAGE_SUGGESTS "jadelamp-firmware, jadelamp-dev, jadelamp-doc")
set(CPACK_DEBIAN_RUNTIME_DESCRIPTION
    "bring up small displays on emulated controllers
 A command for those who write drivers, wake-up sequences and drawing for
 small OLED, TFT, LCD, e-paper and character displays: an emulated
 controller takes the bytes from the bus and shows what the glass will show;
 captures of logic analysers are read out, judged and replayed.")
set(CPACK_DEBIAN_FIRMWARE_PACKAGE_NAME jadelamp-firmware)
set(CPACK_DEBIAN_FIRMWARE_PACKAGE_SECTION electronics)
set(CPACK_DEBIAN_FIRMWARE_PACKAGE_DEPENDS "jadelamp (= ${PROJECT_VERSION})")
set(CPACK_DEBIAN_FIRMWARE_DESCRIPTION
    "run compiled AVR firmware on emulated displays
 The part of jadelamp that runs compiled firmware for AVR microcontrollers on a
 simulated processor, whose pins are wired to an emulated panel.")
set(CPACK_DEBIAN_DEV_PACKAGE_NAME jadelamp-dev)
set(CPACK_DEBIAN_DEV_PACKAGE_SECTION libdevel)
set(CPACK_DEBIAN_DEV_PACKAGE_DEPENDS
    "libpng-dev, libinih-dev, libgd3, libfreetype-dev, zlib1g-dev, libcairo2-dev, libgif-dev")
set(CPACK_DEBIAN_DEV_PACKAGE_RECOMMENDS "jadelamp, libsdl2-dev")
set(CPACK_DEBIAN_DEV_DESCRIPTION
    "drivers and drawing for small displays, with a simulated board
 A portable C11 library for small OLED, TFT, LCD, e-paper and character
 displays, for firmware and desktop, with the libraries of its simulated
 board for tests.")
set(CPACK_DEBIAN_DOC_PACKAGE_NAME jadelamp-doc)
set(CPACK_DEBIAN_DOC_PACKAGE_SECTION doc)
set(CPACK_DEBIAN_DOC_PACKAGE_ARCHITECTURE all)
set(CPACK_DEBIAN_DOC_PACKAGE_SHLIBDEPS OFF)
set(CPACK_DEBIAN_DOC_DESCRIPTION
    "pages and API reference of jadelamp
 The pages of jadelamp, from the first light of a panel to a driver for a new
 controller, and the reference of its library.")
include(CPack)
