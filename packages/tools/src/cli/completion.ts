import type { Command, Option } from 'commander';

/** The shells that completion is written for. */
export type Shell = 'bash' | 'zsh' | 'fish';

/** What a shell reads to complete the command: its commands, their options, and the words that an option takes. */
export function completionFor(shell: Shell, commands: readonly Command[]): string {
  const all = commands.map((one) => ({
    name: one.name(),
    about: one.description(),
    options: one.options.filter(({ hidden }) => !hidden),
    words: wordsOf(one),
  }));
  return writers[shell](all);
}

interface Completed {
  readonly name: string;
  readonly about: string;
  readonly options: readonly Option[];
  /** The words that its argument may be, where it is none of files. */
  readonly words: readonly string[];
}

function wordsOf(command: Command): readonly string[] {
  return command.registeredArguments.flatMap(({ argChoices }) => argChoices ?? []);
}

const namesOf = ({ long, short }: Option): readonly string[] => [short, long].flatMap((one) => one ?? []);
/** Text in single quotes, for any of the three. */
const quoted = (text: string): string => `'${text.replaceAll("'", "'\\''")}'`;
const plain = (text: string): string => text.replace(/[[\]:']/g, ' ');

const writers: Readonly<Record<Shell, (all: readonly Completed[]) => string>> = {
  bash(all) {
    const taken = all.flatMap(({ name, options }) =>
      options.flatMap((one) =>
        one.argChoices
          ? [
              `    ${namesOf(one)
                .map((option) => `${name}:${option}`)
                .join('|')}) words=${quoted(one.argChoices.join(' '))} ;;`,
            ]
          : [],
      ),
    );
    const listed = all.map(({ name, options, words }) => {
      const names = options.flatMap(({ long }) => long ?? []);
      const own = words.length > 0 ? ` else words=${quoted(words.join(' '))};` : '';
      return `      ${name}) if [[ $cur == -* ]]; then words=${quoted([...names, '--help'].join(' '))};${own} fi ;;`;
    });
    return `# Completion of lattice for bash. In ~/.bashrc: eval "$(lattice completion bash)"
_lattice() {
  local cur=\${COMP_WORDS[COMP_CWORD]} prev=\${COMP_WORDS[COMP_CWORD - 1]} words=
  if [ "$COMP_CWORD" -eq 1 ]; then
    words=${quoted([...all.map(({ name }) => name), 'help', '--help', '--version'].join(' '))}
  else
    case "\${COMP_WORDS[1]}:$prev" in
${taken.join('\n')}
    *) case "\${COMP_WORDS[1]}" in
${listed.join('\n')}
      help) words=${quoted(all.map(({ name }) => name).join(' '))} ;;
      esac ;;
    esac
  fi
  if [ -n "$words" ]; then COMPREPLY=($(compgen -W "$words" -- "$cur"))
  else COMPREPLY=($(compgen -f -- "$cur")); fi
}
complete -o filenames -F _lattice lattice
`;
  },
  zsh(all) {
    const cases = all.map(({ name, options, words }) => {
      const lines = options.map((one) => {
        const names = namesOf(one);
        const value =
          one.required || one.optional
            ? `:value:${one.argChoices ? `(${one.argChoices.join(' ')})` : '_files'}`
            : '';
        const spec = `[${plain(one.description)}]${value}`;
        return names.length > 1
          ? `        ${quoted(`(${names.join(' ')})`)}{${names.join(',')}}${quoted(spec)} \\`
          : `        ${quoted(`${names[0]}${spec}`)} \\`;
      });
      const rest = words.length > 0 ? `'*:word:(${words.join(' ')})'` : "'*:file:_files'";
      return `    ${name})\n      _arguments \\\n${lines.join('\n')}${lines.length > 0 ? '\n' : ''}        ${rest} ;;`;
    });
    return `#compdef lattice
# Completion of lattice for zsh. In ~/.zshrc, after compinit: eval "$(lattice completion zsh)"
_lattice() {
  local -a commands
  commands=(
${all.map(({ about, name }) => `    ${quoted(`${name}:${plain(about)}`)}`).join('\n')}
  )
  if (( CURRENT == 2 )); then
    _describe command commands
    return
  fi
  shift words
  (( CURRENT-- ))
  case $words[1] in
${cases.join('\n')}
    help) _describe command commands ;;
  esac
}
compdef _lattice lattice
`;
  },
  fish(all) {
    const lines = all.flatMap(({ about, name, options, words }) => [
      `complete -c lattice -n __fish_use_subcommand -f -a ${name} -d ${quoted(about)}`,
      ...options.map((one) => {
        const short = one.short ? ` -s ${one.short.slice(1)}` : '';
        const takes = one.argChoices
          ? ` -x -a ${quoted(one.argChoices.join(' '))}`
          : one.required || one.optional
            ? ' -r'
            : '';
        return `complete -c lattice -n '__fish_seen_subcommand_from ${name}'${short} -l ${one.long?.slice(2)}${takes} -d ${quoted(one.description)}`;
      }),
      ...(words.length > 0
        ? [`complete -c lattice -n '__fish_seen_subcommand_from ${name}' -f -a ${quoted(words.join(' '))}`]
        : []),
    ]);
    return `# Completion of lattice for fish. In ~/.config/fish/config.fish: lattice completion fish | source
${lines.join('\n')}
`;
  },
};
