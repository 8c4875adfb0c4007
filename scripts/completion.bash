# Completes ./palegate in bash:  source <(./palegate completion)
_palegate() {
  local word=${COMP_WORDS[COMP_CWORD]} before=${COMP_WORDS[COMP_CWORD - 1]} words=""
  case "$before" in
    --bundle | --before | --after | --out | --changes | import | export) compopt -o filenames 2>/dev/null; mapfile -t COMPREPLY < <(compgen -f -- "$word"); return ;;
    --format) case "${COMP_WORDS[1]-}" in access) words="csv jsonl" ;; *) words="csv json text" ;; esac ;;
    --at | --as | --person | --place | --wall | --sample | --seed | --note | --change | --port) return ;;
    --size) words="demo large" ;;
    *)
      case "${COMP_WORDS[1]-}" in
        "$word") [ "$COMP_CWORD" = 1 ] && words="start stop status reset-demo import export access explain diff check rehearse apply walls prove verify walk ask statement findings who reach matrix mining test bench pictures completion help" ;;
        access) words="--bundle --at --standing --format --out --help" ;;
        explain) words="--bundle --person --place --at --help" ;;
        diff) words="--before --after --at --out --help" ;;
        check) words="--bundle --at --help" ;;
        rehearse) words="--bundle --changes --as --at --format --out --help" ;;
        apply) words="--bundle --changes --at --out --help" ;;
        matrix) words="--bundle --subjects --places --below --documents --outliers --at --format --out --help" ;;
        mining) words="--bundle --minutes --changes --at --format --out --help" ;;
        who) words="--bundle --place --right --standing --at --format --out --help" ;;
        reach) words="--bundle --person --right --standing --at --format --out --help" ;;
        findings) words="--bundle --rule --severity --at --format --out --help" ;;
        walls) words="--bundle --wall --at --format --out --help" ;;
        prove) words="--bundle --wall --at --sample --seed --format --out --help" ;;
        verify) words="--bundle --help" ;;
        statement) words="--bundle --kind --id --grouping --right --columns --without-documents --now --at --out --help" ;;
        walk) words="--bundle --person --as --at --format --out --help" ;;
        ask) words="--bundle --at --help" ;;
        start) words="--port --no-demo --size --help" ;;
        import) words="--note --help" ;;
        export) words="--change --help" ;;
        test) words="core server web e2e --help" ;;
        bench) words="engine memory beside walls statements findings matrix mining server --help" ;;
      esac
      ;;
  esac
  mapfile -t COMPREPLY < <(compgen -W "$words" -- "$word")
}
complete -F _palegate palegate ./palegate
