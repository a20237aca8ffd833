# Writes the panel cards into a C file, so that programs find them wherever they are installed.
# cmake -DCARDS=FOLDER -DOUT=FILE -P EmbedCards.cmake
file(GLOB cards ${CARDS}/*.card)
list(SORT cards)
set(texts "")
set(table "")
set(number 0)
foreach(card ${cards})
  get_filename_component(name ${card} NAME_WE)
  file(READ ${card} hex HEX)
  string(REGEX REPLACE "(..)" "0x\\1," bytes "${hex}")
  string(APPEND texts "static const unsigned char text_${number}[] = {${bytes}};\n")
  string(APPEND table "    {\"${name}\", text_${number}, sizeof text_${number}},\n")
  math(EXPR number "${number} + 1")
endforeach()
file(WRITE ${OUT} "/* Made from cards/ by cmake/EmbedCards.cmake. */
#include \"shipped_cards.h\"

${texts}
const struct jl_host_shipped_card jl_host_shipped_cards[] = {
${table}};
const size_t jl_host_shipped_card_count = ${number};
")
