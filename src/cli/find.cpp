#include "base/utf8.h"
#include "cli/json_line.h"
#include "cli/shelf.h"
#include "cli/tempo_range.h"
#include "metre/tempo.h"
#include "shelf/library.h"

#include <fmt/format.h>

namespace cli {

namespace {

base::Result<shelf::Query> queryOf(const FindCommand& command) {
    shelf::Query query;
    for (const std::string& word : command.words)
        query.words += (query.words.empty() ? "" : " ") + word;
    query.tags = command.tags;
    query.octaves = command.octaves;
    if (!command.bpm.empty()) {
        if (const auto one = metre::parseTempo(command.bpm)) {
            query.tempo = hear::Window{*one, *one};
        } else {
            const auto range = tempoRange(command.bpm);
            if (!range) return tl::unexpected(range.error());
            query.tempo = *range;
        }
    } else if (command.octaves) {
        return base::problem("--octaves says something of --bpm, which is missing.");
    }
    if (!command.key.empty()) {
        query.key = hear::parseKey(command.key);
        if (!query.key)
            return base::problem(fmt::format("“{}” is not a key. Type one such as Dm or F#.", command.key));
        query.relation = command.related ? shelf::KeyRelation::Related : shelf::KeyRelation::Same;
    } else if (command.related) {
        return base::problem("--related says something of --key, which is missing.");
    }
    if (command.mode == "major") query.mode = shelf::Mode::Major;
    if (command.mode == "minor") query.mode = shelf::Mode::Minor;
    for (const std::string& word : command.kinds) {
        const auto kind = hear::kindFromWord(word);
        if (!kind)
            return base::problem(fmt::format(
                "“{}” is not a kind of sound: struck, bass, keys, held, voice, mix, one-hit or no-beat.", word));
        query.kinds.push_back(*kind);
    }
    query.withGone = query.withDamaged = false;
    return query;
}

constexpr const char* foundForm = "{:>8}  {:>5}  {:<7}  {:<8}  {:>8}  {}  {}";

std::string tableLine(const shelf::Entry& e) {
    return fmt::format(foundForm, e.bpm ? metre::tempoFigure(*e.bpm) : "–",
                       e.beats ? std::to_string(*e.beats) : "–", e.key ? hear::keyLabel(*e.key) : "–",
                       hear::kindLabel(e.kind), fmt::format("{:.2f}", e.length.value), base::shownPath(e.file),
                       shelf::tagsText(e.own.tags));
}

std::string jsonLine(const shelf::Entry& e) {
    Json j = Json::object();
    nameInto(j, e.file);
    j["bpm"] = e.bpm ? Json(rounded(e.bpm->value, 1e6)) : Json(nullptr);
    j["beats"] = e.beats ? Json(*e.beats) : Json(nullptr);
    j["key"] = e.key ? Json(hear::keyName(*e.key)) : Json(nullptr);
    j["kind"] = hear::kindWord(e.kind);
    j["seconds"] = rounded(e.length.value, 1e6);
    j["tags"] = e.own.tags;
    return dumped(j);
}

} // namespace

int find(const FindCommand& command, Output& output) {
    const auto query = queryOf(command);
    if (!query) {
        output.say(query.error().text);
        return 2;
    }
    auto library = shelf::Library::open(shelf::libraryFile());
    if (!library) {
        output.say(library.error().text);
        return 1;
    }
    if (!(*library)->told().empty()) output.say((*library)->told());
    auto ids = (*library)->search(*query);
    if (ids && command.limit > 0 && ids->size() > static_cast<std::size_t>(command.limit))
        ids->resize(static_cast<std::size_t>(command.limit));
    const auto entries = ids ? (*library)->entries(*ids) : tl::unexpected(ids.error());
    if (!entries) {
        output.say(entries.error().text);
        return 1;
    }
    if (command.table)
        output.line(fmt::format(foundForm, "tempo", "beats", "key", "kind", "seconds", "file", "tags"));
    for (const shelf::Entry& e : *entries)
        if (!output.line(command.table ? tableLine(e) : jsonLine(e))) return 1;
    return 0;
}

} // namespace cli
