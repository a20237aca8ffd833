# Completion of jadelamp for fish: the command itself knows the words.
function __jadelamp_words
    set -l words (commandline -opc) (commandline -ct)
    for line in (jadelamp complete $words[2..-1] 2>/dev/null)
        switch $line
            case :file
                __fish_complete_path (string replace -r '^-.*=' '' -- (commandline -ct))
            case :folder
                __fish_complete_directories (string replace -r '^-.*=' '' -- (commandline -ct)) ''
            case '*'
                echo $line
        end
    end
end
complete -c jadelamp -f -a '(__jadelamp_words)'
