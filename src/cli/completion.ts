import { Argument, type Command } from 'commander';
import type { Act, Voice } from './io.ts';

const shells = ['bash', 'zsh', 'fish'] as const;
type Shell = (typeof shells)[number];

const examples = `
Examples:
  $ source <(kamino completion bash)                                    for this shell
  $ kamino completion bash >> ~/.bashrc                                 for every new one
  $ kamino completion zsh > "\${fpath[1]}/_kamino"
  $ kamino completion fish > ~/.config/fish/completions/kamino.fish`;

/** Prints a script by which a shell completes commands, options and files. */
export function addCompletion(program: Command, act: Act): void {
  program
    .command('completion')
    .description('print a completion script for a shell')
    .addArgument(new Argument('<shell>', 'bash, zsh or fish').choices(shells))
    .addHelpText('after', examples)
    .action((shell: Shell) =>
      act((voice: Voice) => {
        voice.io.out(scripts[shell](wordsOf(program)));
        return Promise.resolve(0);
      })(),
    );
}

interface Words {
  name: string;
  about: string;
  options: { flag: string; about: string }[];
  commands: { name: string; about: string }[];
}

function wordsOf(program: Command): Words[] {
  return program.commands.map(command => ({
    name: command.name(),
    about: command.description(),
    options: [command, ...command.commands]
      .flatMap(one => one.options)
      .flatMap(({ long, description }) => (long ? [{ flag: long, about: description }] : []))
      .filter((one, at, all) => all.findIndex(other => other.flag === one.flag) === at),
    commands: command.commands.map(one => ({ name: one.name(), about: one.description() })),
  }));
}

const quoted = (text: string): string => `'${text.replace(/'/g, "'\\''")}'`;
const flags = ({ options }: Words): string => options.map(one => one.flag).join(' ');

const scripts: Record<Shell, (words: readonly Words[]) => string> = {
  bash: words => `_kamino() {
  local cur="\${COMP_WORDS[COMP_CWORD]}" options="" commands=""
  case "\${COMP_WORDS[1]}" in
${words.map(one => `    ${one.name}) options=${quoted(flags(one))} commands=${quoted(one.commands.map(sub => sub.name).join(' '))} ;;`).join('\n')}
  esac
  if [ "$COMP_CWORD" -eq 1 ]; then
    COMPREPLY=($(compgen -W ${quoted(words.map(one => one.name).join(' '))} -- "$cur"))
  elif [ "$COMP_CWORD" -eq 2 ] && [ -n "$commands" ]; then
    COMPREPLY=($(compgen -W "$commands" -- "$cur"))
  elif [ "\${cur#-}" != "$cur" ]; then
    COMPREPLY=($(compgen -W "$options" -- "$cur"))
  else
    COMPREPLY=($(compgen -f -- "$cur"))
  fi
}
complete -o filenames -F _kamino kamino
`,
  zsh: words => `#compdef kamino
_kamino() {
  local -a commands=(${words.map(one => quoted(`${one.name}:${one.about}`)).join(' ')})
  if (( CURRENT == 2 )); then
    _describe command commands
    return
  fi
  case "$words[2]" in
${words.map(one => `    ${one.name}) _arguments ${[...one.options.map(({ flag, about }) => quoted(`${flag}[${about.replace(/[[\]]/g, '')}]`)), ...(one.commands.length > 0 ? [quoted(`2:command:(${one.commands.map(sub => sub.name).join(' ')})`)] : []), quoted('*:file:_files')].join(' ')} ;;`).join('\n')}
  esac
}
compdef _kamino kamino
`,
  fish: words =>
    words
      .flatMap(one => [
        `complete -c kamino -n __fish_use_subcommand -a ${one.name} -d ${quoted(one.about)}`,
        ...one.commands.map(
          sub =>
            `complete -c kamino -n '__fish_seen_subcommand_from ${one.name}' -a ${sub.name} -d ${quoted(sub.about)}`,
        ),
        ...one.options.map(
          ({ flag, about }) =>
            `complete -c kamino -n '__fish_seen_subcommand_from ${one.name}' -l ${flag.slice(2)} -d ${quoted(about)}`,
        ),
      ])
      .join('\n')
      .concat('\n'),
};
