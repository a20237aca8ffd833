# Completion of jadelamp for bash: the command itself knows the words.
_jadelamp() {
    local word IFS=$'\n' begun=${COMP_WORDS[COMP_CWORD]}
    [ "$begun" != = ] || begun=
    COMPREPLY=()
    for word in $(jadelamp complete "${COMP_WORDS[@]:1:COMP_CWORD}" 2>/dev/null); do
        case $word in
        :file)
            compopt -o filenames 2>/dev/null
            COMPREPLY+=($(compgen -f -- "$begun"))
            ;;
        :folder)
            compopt -o filenames 2>/dev/null
            COMPREPLY+=($(compgen -d -- "$begun"))
            ;;
        *) COMPREPLY+=("$word") ;;
        esac
    done
}
complete -F _jadelamp jadelamp
