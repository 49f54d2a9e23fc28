#!/usr/bin/env python3
"""Writes src/app/widgets/core_sentences.cpp: what the rooms below the window say, so that it can be translated.

The rooms have no languages: they speak English, in sentences with places to fill in. The window finds the sentence that
a text was made from and says it in the user's language (src/app/widgets/sentences.h).

  tools/core_sentences.py           writes the file
  tools/core_sentences.py --check   ends with 1 where the file does not say what the rooms say
"""
import pathlib
import re
import sys

ROOT = pathlib.Path(__file__).resolve().parent.parent
LIST = ROOT / "src/app/widgets/core_sentences.cpp"
ROOMS = ["base", "metre", "sound", "hear", "stretch", "mix", "project", "prove", "shelf", "play", "deliver"]
# What is written into files for others stays as it is.
FILES_FOR_OTHERS = {"report.cpp", "query.cpp", "read_source.cpp", "mapped.cpp"}
# Tables whose words the window shows each by itself: src/app/widgets/core_words.cpp names them.
SHOWN_AS_THEY_ARE = {"method.h", "time_rule.h"}
# Where single words are filled into sentences.
WITH_WORDS = {"changed.cpp", "import.cpp", "listen.cpp", "landing.cpp", "tighten.cpp", "reading.cpp", "edit_arrange.cpp",
              "edit_clips.cpp", "feel_file.cpp"}
# Statements to the library's database, other programs' names for us, and patterns of files' names.
NOT_SAID = re.compile(r"\b(SELECT|INSERT|UPDATE|DELETE|CREATE|ALTER|PRAGMA)\b|^Patient Metre( watch| looks| time)?$|^(id|bpm), |\.wav$|_")
TOKEN = re.compile(
    r'//[^\n]*|/\*.*?\*/|#include[^\n]*|"(?P<text>(?:[^"\\]|\\.)*)"|\'(?:[^\'\\]|\\.)\'|(?P<space>\s+)|[\w:.]+|\S', re.S)


def literals(code):
    """The string literals of a source, those that stand beside each other joined."""
    joined = None
    for token in TOKEN.finditer(code):
        whole = token.group(0)
        if token.group("text") is not None:
            joined = (joined or "") + token.group("text")
        elif token.group("space") is None and not whole.startswith(("//", "/*")):
            if joined is not None:
                yield joined
            joined = None


def sentence(text):
    """As translators see it: places numbered, without what only joins it to others. None where it says nothing."""
    text = re.sub(r"^[\s·,;:]+|[\s·,;:]+$", "", text.replace("\\n", " "))
    number = 0

    def place(found):
        nonlocal number
        if found.group(0) in ("{{", "}}"):
            return found.group(0)[0]
        at = found.group(1)
        number += 1
        return "%" + str(int(at) + 1 if at else number)

    text = re.sub(r"\{\{|\}\}|\{(\d*)(?::[^{}]*)?\}", place, text)
    said = re.sub(r"%\d+", "", text)
    return text if len(re.findall(r"[a-z]", said)) >= 2 else None


def sentences():
    for room in ROOMS:
        found = []
        for path in sorted((ROOT / "src" / room).glob("*.*")):
            if path.suffix not in (".cpp", ".h") or path.name in FILES_FOR_OTHERS | SHOWN_AS_THEY_ARE:
                continue
            for text in literals(path.read_text(encoding="utf-8")):
                isWord = re.fullmatch(r"\s?[A-Za-z]{2,}\s?", text) and path.name in WITH_WORDS
                if (" " in text.strip() or isWord) and not NOT_SAID.search(text):
                    found.append(sentence(text))
        yield room, found


def written():
    lines = ["// Written by tools/core_sentences.py: what the rooms below say.",
             "#include <QtGlobal>", "", "namespace app {", "",
             "extern const char* const coreSentences[];",
             "// Each on a line of its own.", "// clang-format off", "const char* const coreSentences[] = {"]
    known = set()
    for room, found in sentences():
        new = [s for s in dict.fromkeys(found) if s and s not in known]
        known.update(new)
        if new:
            lines.append(f"    // {room}")
            lines += [f'    QT_TRANSLATE_NOOP("core", "{s}"),' for s in new]
    lines += ["    nullptr,", "};", "// clang-format on", "", "} // namespace app", ""]
    return "\n".join(lines)


def main():
    text = written()
    if "--check" in sys.argv[1:]:
        if LIST.read_text(encoding="utf-8") != text:
            sys.exit("What the rooms say has changed: run tools/core_sentences.py, then tools/update_translations.sh.")
        return
    LIST.write_text(text, encoding="utf-8")


main()
