#!/usr/bin/env python3
"""Writes share/man/pmetre.1 and share/bash-completion/pmetre from what pmetre says of itself.

Usage: tools/make_man.py [build/release/src/pmetre]
"""
import pathlib
import re
import subprocess
import sys

root = pathlib.Path(__file__).resolve().parent.parent
pmetre = sys.argv[1] if len(sys.argv) > 1 else str(root / "build/release/src/pmetre")


def help_of(*command):
    return subprocess.run([pmetre, *command, "--help"], capture_output=True, text=True, check=True).stdout


def escaped(text):
    text = text.replace("\\", "\\e").replace("-", "\\-").replace("'", "\\(aq")
    return "\\&" + text if text.startswith((".", "'")) else text


commands = re.findall(r"^  (\w+)\s{2,}(\S.*)$", help_of().split("Subcommands:")[1].split("\n\n")[0], re.M)
options = {}
page = [
    '.\\" Written by tools/make_man.py from what pmetre says of itself.',
    '.TH PMETRE 1 "" "Patient Metre" "User commands"',
    ".SH NAME",
    "pmetre \\- loops, samples and stems, in time",
    ".SH SYNOPSIS",
    ".B pmetre",
    ".I command",
    "[options] files...",
    ".SH DESCRIPTION",
    "Finds out the tempo of audio files, stretches them to another without changing their pitch, proves by measurement that "
    "they landed, and hands them on: the window's work, for folders and scripts.",
    ".PP",
    "Commands take many files and folders (a folder means the audio in it;",
    ".B \\-r",
    "goes deeper) and work on as many cores as there are. Results go to standard output, one JSON object a line, in the order "
    "of the arguments;",
    ".B \\-\\-table",
    "prints columns for people instead. A name of",
    ".B \\-",
    "reads a list of names from standard input. Nothing is replaced without",
    ".BR \\-\\-overwrite ,",
    "and a file appears whole or not at all.",
    ".SH COMMANDS",
]
for name, what in commands:
    text = help_of(name)
    page += [".SS " + escaped(f"pmetre {name}"), escaped(what) + "."]
    body = text.split("Options:")[1]
    listed, _, footer = body.partition("\n\n")
    positionals = re.search(r"Positionals:\n(.*?)\n\n", text, re.S)
    lines = (positionals.group(1).split("\n") if positionals else []) + listed.split("\n")
    options[name] = []
    for line in lines:
        entry = re.match(r"^  (\S.*?)\s{2,}(\S.*)$", line) or re.match(r"^  (\S.*?)(?: )(\S.*)$", line)
        if not entry or entry.group(1).startswith("-h"):
            continue
        shown = re.sub(r":INT in \[(\d+) - (\d+)\]|:POSITIVE", "", entry.group(1)).replace(" REQUIRED", "")
        shown = shown.replace(" TEXT", "").replace(":{beat,bar}", " beat|bar").replace(":{major,minor}", " major|minor")
        page += [".TP", "\\fB" + escaped(shown) + "\\fR", escaped(entry.group(2))]
        options[name] += re.findall(r"(?<![\w-])(--[a-z][a-z-]*|-[a-zA-Z0-9])(?![\w-])", entry.group(1).split(":")[0])
    for paragraph in footer.strip().split("\n"):
        if paragraph.startswith("  "):
            page += [".br", "\\fC" + escaped(paragraph.strip()) + "\\fR"]
        elif paragraph:
            page += ([".PP"] if paragraph.startswith(("Example", "Each")) else []) + [escaped(paragraph)]
page += [
    ".SH EXIT STATUS",
    "0 when all went well; 1 when something failed, which is named on standard error with its reason while the rest is done; "
    "2 when the call itself is wrong.",
    ".SH FILES",
    ".TP",
    "\\fI~/.local/share/patient-metre\\fR",
    "What was settled of recordings, and the library. \\fBPATIENT_METRE_DATA\\fR names another folder.",
    ".SH SEE ALSO",
    ".BR patient-metre (1)",
]
(root / "share/man/pmetre.1").write_text("\n".join(page) + "\n")

words = {
    "--format": "wav aiff flac ogg opus mp3",
    "--depth": "16 24 float",
    "--style": "auto struck held blend sung tape",
    "--what": "loops stems mix click map proof",
    "--level": "as-it-is no-higher peak loudness",
    "--every": "beat bar",
    "--mode": "major minor",
    "--kind": "struck bass keys held voice mix one-hit no-beat",
    "--quality": "0 1 2 3 4 5 6 7 8 9 10",
}
completion = [
    "# Written by tools/make_man.py from what pmetre says of itself.",
    "_pmetre() {",
    "  local current=${COMP_WORDS[COMP_CWORD]} before=${COMP_WORDS[COMP_CWORD - 1]} command=${COMP_WORDS[1]}",
    "  COMPREPLY=()",
    "  if [ \"$COMP_CWORD\" -eq 1 ]; then",
    f"    mapfile -t COMPREPLY < <(compgen -W '{' '.join(name for name, _ in commands)} --help --version' -- \"$current\")",
    "    return",
    "  fi",
    "  case $before in",
]
for option, choices in words.items():
    completion += [f"    {option}) mapfile -t COMPREPLY < <(compgen -W '{choices}' -- \"$current\"); return ;;"]
completion += ["  esac", "  if [[ $current == -* ]]; then", "    case $command in"]
for name, _ in commands:
    all_options = " ".join(dict.fromkeys(options[name] + ["--help"]))
    completion += [f"      {name}) mapfile -t COMPREPLY < <(compgen -W '{all_options}' -- \"$current\") ;;"]
completion += [
    "    esac",
    "    return",
    "  fi",
    "  compopt -o filenames 2>/dev/null",
    "  mapfile -t COMPREPLY < <(compgen -f -- \"$current\")",
    "}",
    "complete -F _pmetre pmetre",
]
(root / "share/bash-completion/pmetre").write_text("\n".join(completion) + "\n")
