// Texts: projects, maps, names, patterns, words that are looked for, the library's export.
#include "harsh/fuzz/targets.h"

#include "base/utf8.h"
#include "deliver/midi_map.h"
#include "deliver/names.h"
#include "hear/name.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/save.h"
#include "shelf/library.h"
#include "shelf/own_words.h"

#include <cstdlib>
#include <filesystem>

namespace fuzz {

void openProject(Bytes bytes) {
    const auto p = project::fromJson(std::string(bytes), "/nowhere", "project.json");
    if (!p) {
        mustHold(!p.error().text.empty(), "a failure has a sentence");
        return;
    }
    static_cast<void>(project::lay(*p));
    const std::string once = project::toJson(*p, "/nowhere");
    const auto again = project::fromJson(once, "/nowhere", "project.json");
    mustHold(again.has_value(), "what was written can be read");
    mustHold(project::toJson(*again, "/nowhere") == once, "and is the same");
}

void readMidi(Bytes bytes) {
    const auto read = deliver::readMidiMap(bytes);
    if (!read) {
        mustHold(!read.error().text.empty(), "a failure has a sentence");
        return;
    }
    for (const metre::TempoPoint& point : read->maps.tempo.points())
        mustHold(point.bpm.value >= 20 && point.bpm.value <= 400, "a tempo is one");
    const std::string written = deliver::midiMap(read->maps.tempo, read->maps.metre, metre::Beats(64));
    mustHold(deliver::readMidiMap(written).has_value(), "what was written can be read");
}

void readName(Bytes bytes) {
    const std::string name(bytes);
    static_cast<void>(hear::tellsOfName(name));
    static_cast<void>(hear::readName(name));
    const std::string safe = deliver::safeName(name);
    mustHold(!safe.empty() && safe.size() <= 200 && base::isUtf8(safe), "a safe name is one");
    mustHold(safe.find('/') == std::string::npos && safe != "." && safe != "..", "and no path");
    static_cast<void>(deliver::withoutTempo(name));
}

void usePattern(Bytes bytes) {
    static const project::LaidPtr laid = [] {
        project::Source s;
        s.name = "winch_112bpm";
        s.facts = {48000, 1, metre::Frames(48000), "WAV 16-bit"};
        s.key = hear::Key{2, true};
        s.beats = metre::BeatMap(metre::Bpm(112), metre::Seconds(0));
        auto added = project::addSources({}, {s});
        return project::lay(project::placeSources(added.project, added.ids, {}, metre::Beats(0))->project);
    }();
    const std::string pattern(bytes);
    const bool means = deliver::patternMeans(pattern).has_value();
    const auto name = deliver::nameOf(laid->clips().front(), 7, pattern);
    mustHold(means == name.has_value(), "a pattern means something, or gives no name");
    if (name) mustHold(!name->empty() && name->find('/') == std::string::npos, "a name is one");
}

void search(Bytes bytes) {
    static const std::unique_ptr<shelf::Library> library = [] {
        std::string folder = (std::filesystem::temp_directory_path() / "patient-metre-fuzz-XXXXXX").string();
        auto opened = shelf::Library::open(std::filesystem::path(mkdtemp(folder.data())) / "library.sqlite");
        mustHold(opened.has_value(), "a library can be made");
        return std::move(*opened);
    }();
    shelf::Query query;
    query.words = std::string(bytes);
    query.tags = {std::string(bytes.substr(0, 10))};
    mustHold(library->search(query).has_value(), "any words can be looked for");
    query.tags.clear();
    mustHold(library->search(query).has_value(), "any words can be looked for");
}

void takeExport(Bytes bytes) {
    const auto words = shelf::ownWordsFrom(std::string(bytes));
    if (!words) {
        mustHold(!words.error().text.empty(), "a failure has a reason");
        return;
    }
    const auto again = shelf::ownWordsFrom(shelf::toText(*words));
    mustHold(again && again->of.size() == words->of.size(), "what was written can be read");
}

} // namespace fuzz
