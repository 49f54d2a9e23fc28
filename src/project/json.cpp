// The document as JSON: docs/format.md says what each member means. The only file that includes the JSON library.
#include "project/save.h"

#include "base/utf8.h"
#include "metre/tempo.h"

#include <array>
#include <cmath>
#include <fmt/format.h>
#include <nlohmann/json.hpp>
#include <set>

namespace project {

namespace {

using Json = nlohmann::ordered_json;

constexpr const char* formatName = "patient-metre-project";

constexpr std::array<std::pair<metre::Snap, const char*>, 5> snapWords = {
    {{metre::Snap::Off, "off"},
     {metre::Snap::QuarterBeat, "quarter-beat"},
     {metre::Snap::HalfBeat, "half-beat"},
     {metre::Snap::Beat, "beat"},
     {metre::Snap::Bar, "bar"}}};

// What is wrong with a document, thrown inside this file only and made a Problem at its edge.
struct Wrong {
    std::string what;
};

// A path as text. Names that are no UTF-8 go as hexadecimal bytes, so that nothing of them is lost.
Json pathToJson(const std::filesystem::path& path, const std::filesystem::path& folder) {
    const auto inside = path.lexically_relative(folder);
    const bool relative = !folder.empty() && !inside.empty() && *inside.begin() != "..";
    const std::string& bytes = relative ? inside.native() : path.native();
    if (base::isUtf8(bytes)) return bytes;
    std::string hex;
    for (const char c : bytes)
        hex += fmt::format("{:02x}", static_cast<unsigned char>(c));
    return Json{{"bytes", hex}};
}

std::filesystem::path pathFromJson(const Json& j, const std::filesystem::path& folder) {
    std::string bytes;
    if (j.is_string()) {
        bytes = j.get<std::string>();
    } else if (j.is_object() && j.contains("bytes") && j["bytes"].is_string()) {
        const std::string hex = j["bytes"].get<std::string>();
        const auto digit = [](char c) {
            if (c >= '0' && c <= '9') return c - '0';
            if (c >= 'a' && c <= 'f') return c - 'a' + 10;
            throw Wrong{"a file name is not written as hexadecimal bytes"};
        };
        if (hex.size() % 2 != 0) throw Wrong{"a file name is not written as hexadecimal bytes"};
        for (std::size_t i = 0; i < hex.size(); i += 2)
            bytes += static_cast<char>(digit(hex[i]) * 16 + digit(hex[i + 1]));
    } else {
        throw Wrong{"a source has no file name"};
    }
    if (bytes.empty() || bytes.find('\0') != std::string::npos) throw Wrong{"a source has no file name"};
    const std::filesystem::path path(bytes);
    return path.is_absolute() ? path : folder / path;
}

// Reading members, with a sentence when one is missing or of another type.
const Json& member(const Json& j, const char* name) {
    if (!j.is_object() || !j.contains(name)) throw Wrong{fmt::format("“{}” is missing", name)};
    return j[name];
}

double number(const Json& j, const char* name) {
    const Json& m = member(j, name);
    if (!m.is_number()) throw Wrong{fmt::format("“{}” is not a number", name)};
    const double value = m.get<double>();
    if (!std::isfinite(value) || std::abs(value) > 1e12) throw Wrong{fmt::format("“{}” is out of range", name)};
    return value;
}

std::int64_t whole(const Json& j, const char* name) {
    const double value = number(j, name);
    if (value != std::floor(value)) throw Wrong{fmt::format("“{}” is not a whole number", name)};
    return static_cast<std::int64_t>(value);
}

std::string text(const Json& j, const char* name) {
    const Json& m = member(j, name);
    if (!m.is_string()) throw Wrong{fmt::format("“{}” is not text", name)};
    return m.get<std::string>();
}

bool truth(const Json& j, const char* name) {
    const Json& m = member(j, name);
    if (!m.is_boolean()) throw Wrong{fmt::format("“{}” is neither true nor false", name)};
    return m.get<bool>();
}

const Json& list(const Json& j, const char* name) {
    const Json& m = member(j, name);
    if (!m.is_array()) throw Wrong{fmt::format("“{}” is not a list", name)};
    return m;
}

template <class T>
T orWrong(Result<T> result) {
    if (!result) throw Wrong{result.error().text};
    return std::move(*result);
}

Json keyToJson(const std::optional<hear::Key>& key) {
    return key ? Json(hear::keyName(*key)) : Json(nullptr);
}

std::optional<hear::Key> keyFromJson(const Json& j) {
    const Json& m = member(j, "key");
    if (m.is_null()) return std::nullopt;
    const auto key = hear::parseKey(text(j, "key"));
    if (!key) throw Wrong{"“key” is not a key"};
    return key;
}

Json pinsToJson(const std::vector<metre::Pin>& pins) {
    Json list = Json::array();
    for (const metre::Pin& pin : pins)
        list.push_back({{"seconds", pin.at.value}, {"beat", pin.beat.value}});
    return list;
}

std::vector<metre::Pin> pinsFromJson(const Json& j, const char* name) {
    std::vector<metre::Pin> pins;
    for (const Json& pin : list(j, name))
        pins.push_back({Seconds(number(pin, "seconds")), Beats(number(pin, "beat"))});
    return pins;
}

Json candidatesToJson(const std::vector<hear::Candidate>& candidates) {
    Json list = Json::array();
    for (const hear::Candidate& c : candidates)
        list.push_back({{"bpm", c.bpm.value}, {"weight", c.weight}, {"beats", c.beats}});
    return list;
}

std::vector<hear::Candidate> candidatesFromJson(const Json& j) {
    std::vector<hear::Candidate> candidates;
    for (const Json& c : list(j, "others")) {
        candidates.push_back({Bpm(number(c, "bpm")), number(c, "weight"), static_cast<int>(whole(c, "beats"))});
        if (candidates.back().bpm.value <= 0) throw Wrong{"a reading's tempo is out of range"};
    }
    return candidates;
}

Json readingToJson(const hear::Reading& r) {
    return {{"by", hear::witnessWord(r.by)},
            {"bpm", r.bpm ? Json(r.bpm->value) : Json(nullptr)},
            {"beats", r.beats ? Json(r.beats->value) : Json(nullptr)},
            {"key", keyToJson(r.key)},
            {"sureness", r.sureness},
            {"evidence", base::toUtf8(r.evidence)},
            {"steady", r.steady},
            {"others", candidatesToJson(r.others)},
            {"pins", pinsToJson(r.pins)}};
}

hear::Witness witnessFromJson(const std::string& word) {
    const auto by = hear::witnessFromWord(word);
    if (!by) throw Wrong{fmt::format("“{}” is no kind of reading", word)};
    return *by;
}

hear::Reading readingFromJson(const Json& j) {
    hear::Reading r;
    r.by = witnessFromJson(text(j, "by"));
    if (!member(j, "bpm").is_null()) {
        r.bpm = Bpm(number(j, "bpm"));
        if (!metre::isTempo(*r.bpm)) throw Wrong{"a reading's tempo is out of range"};
    }
    if (!member(j, "beats").is_null()) r.beats = Beats(number(j, "beats"));
    r.key = keyFromJson(j);
    r.sureness = number(j, "sureness");
    r.evidence = text(j, "evidence");
    if (j.contains("steady")) r.steady = truth(j, "steady"); // these three: since format 2
    if (j.contains("others")) r.others = candidatesFromJson(j);
    if (j.contains("pins")) {
        r.pins = pinsFromJson(j, "pins");
        if (!r.pins.empty()) orWrong(metre::BeatMap::make(r.pins));
    }
    return r;
}

Json sourceToJson(const Source& s, const std::filesystem::path& folder) {
    Json readings = Json::array();
    for (const hear::Reading& r : s.readings)
        readings.push_back(readingToJson(r));
    return {
        {"id", s.id.value},
        {"name", base::toUtf8(s.name)},
        {"file", pathToJson(s.file, folder)},
        {"content", s.content},
        {"rate", s.facts.rate},
        {"channels", s.facts.channels},
        {"frames", s.facts.frames.value},
        {"format", s.facts.format},
        {"readings", readings},
        {"chosen", s.chosen ? Json(hear::witnessWord(*s.chosen)) : Json(nullptr)},
        {"pins", s.beats ? pinsToJson(s.beats->pins()) : Json(nullptr)},
        {"key", keyToJson(s.key)},
        {"loopBeats", s.loopBeats ? Json(s.loopBeats->value) : Json(nullptr)},
        {"beatsInBar", s.beatsInBar},
        {"kind", hear::kindWord(s.kind)},
        {"listen", {{"low", s.window.low.value}, {"high", s.window.high.value}}},
        {"marks", s.marks ? Json{{"from", s.marks->first.value}, {"to", s.marks->second.value}} : Json(nullptr)}};
}

void heardFromJson(Source& s, const Json& j) {
    if (!member(j, "loopBeats").is_null()) {
        s.loopBeats = Beats(number(j, "loopBeats"));
        if (s.loopBeats->value <= 0 || s.loopBeats->value > 1e6) throw Wrong{"“loopBeats” is out of range"};
    }
    s.beatsInBar = static_cast<int>(whole(j, "beatsInBar"));
    if (s.beatsInBar < 1 || s.beatsInBar > 64) throw Wrong{"“beatsInBar” is out of range"};
    const auto kind = hear::kindFromWord(text(j, "kind"));
    if (!kind) throw Wrong{fmt::format("“{}” is no kind of sound", text(j, "kind"))};
    s.kind = *kind;
    const Json& window = member(j, "listen");
    s.window = {Bpm(number(window, "low")), Bpm(number(window, "high"))};
    if (!(s.window.low.value > 0) || s.window.high <= s.window.low) throw Wrong{"“listen” is no range of tempos"};
    const Json& marks = member(j, "marks");
    if (marks.is_null()) return;
    s.marks = {Seconds(number(marks, "from")), Seconds(number(marks, "to"))};
    if (s.marks->second <= s.marks->first) throw Wrong{"the marks of a source are out of range"};
}

Source sourceFromJson(const Json& j, const std::filesystem::path& folder) {
    Source s;
    s.id = SourceId{whole(j, "id")};
    s.name = text(j, "name");
    s.file = pathFromJson(member(j, "file"), folder);
    s.content = text(j, "content");
    s.facts.rate = static_cast<int>(whole(j, "rate"));
    s.facts.channels = static_cast<int>(whole(j, "channels"));
    s.facts.frames = Frames(whole(j, "frames"));
    s.facts.format = text(j, "format");
    if (s.facts.rate < sound::lowestRate || s.facts.rate > sound::highestRate || s.facts.frames.value < 1)
        throw Wrong{fmt::format("the source {} has no length", s.name)};
    for (const Json& r : list(j, "readings"))
        s.readings.push_back(readingFromJson(r));
    if (!member(j, "chosen").is_null()) s.chosen = witnessFromJson(text(j, "chosen"));
    if (!member(j, "pins").is_null()) s.beats = orWrong(metre::BeatMap::make(pinsFromJson(j, "pins")));
    s.key = keyFromJson(j);
    if (j.contains("kind")) heardFromJson(s, j); // since format 2
    return s;
}

Json clipToJson(const Clip& c) {
    return {{"id", c.id.value},
            {"source", c.source.value},
            {"at", c.at.value},
            {"from", c.from.value},
            {"to", c.to.value},
            {"rule", c.rule == TimeRule::Stretch ? "stretch" : "place"},
            {"method", stretch::methodWord(c.stretch.method)},
            {"semitones", c.stretch.semitones},
            {"formants", c.stretch.formants},
            {"loop", c.stretch.loop},
            {"gain", c.gainDb}};
}

double gain(const Json& j) {
    const double db = number(j, "gain");
    if (db < -200 || db > 60) throw Wrong{"a gain is out of range"};
    return db;
}

Clip clipFromJson(const Json& j) {
    Clip c;
    c.id = ClipId{whole(j, "id")};
    c.source = SourceId{whole(j, "source")};
    c.at = Beats(number(j, "at"));
    c.from = Seconds(number(j, "from"));
    c.to = Seconds(number(j, "to"));
    if (c.to <= c.from || std::abs(c.at.value) > 1e6) throw Wrong{"a clip's times are out of range"};
    const std::string rule = text(j, "rule");
    if (rule != "stretch" && rule != "place") throw Wrong{fmt::format("“{}” is no time rule", rule)};
    c.rule = rule == "stretch" ? TimeRule::Stretch : TimeRule::Place;
    const auto method = stretch::methodFromWord(text(j, "method"));
    if (!method) throw Wrong{fmt::format("“{}” is no method", text(j, "method"))};
    c.stretch.method = *method;
    c.stretch.semitones = number(j, "semitones");
    c.stretch.formants = j.contains("formants") && truth(j, "formants");
    c.stretch.loop = truth(j, "loop");
    c.gainDb = gain(j);
    return c;
}

Json projectToJson(const Project& p, const std::filesystem::path& folder) {
    Json tempo = Json::array();
    for (const metre::TempoPoint& point : p.tempo.points())
        tempo.push_back({{"beat", point.at.value},
                         {"bpm", point.bpm.value},
                         {"shape", point.shape == metre::TempoPoint::Shape::Ramp ? "ramp" : "hold"}});
    Json metres = Json::array();
    for (const metre::MetrePoint& point : p.metre.points())
        metres.push_back({{"bar", point.bar}, {"metre", metre::metreLabel(point.metre)}});
    Json sources = Json::array();
    for (const SourcePtr& s : p.sources)
        sources.push_back(sourceToJson(*s, folder));
    Json tracks = Json::array();
    for (const TrackPtr& t : p.tracks) {
        Json clips = Json::array();
        for (const Clip& c : t->clips)
            clips.push_back(clipToJson(c));
        tracks.push_back({{"id", t->id.value},
                          {"name", base::toUtf8(t->name)},
                          {"tint", t->tint},
                          {"gain", t->gainDb},
                          {"mute", t->mute},
                          {"solo", t->solo},
                          {"clips", clips}});
    }
    std::string snap;
    for (const auto& [value, word] : snapWords)
        if (value == p.snap) snap = word;
    return {{"format", formatName},
            {"version", formatVersion},
            {"rate", p.rate},
            {"tempo", tempo},
            {"metre", metres},
            {"key", keyToJson(p.key)},
            {"snap", snap},
            {"click", p.click},
            {"loop", {{"from", p.loop.from.value}, {"to", p.loop.to.value}, {"on", p.loop.on}}},
            {"sources", sources},
            {"tracks", tracks},
            {"nextId", p.nextId}};
}

void checkReferences(const Project& p) {
    std::set<std::int64_t> ids;
    const auto once = [&](std::int64_t id) {
        if (id < 1 || id >= p.nextId || !ids.insert(id).second)
            throw Wrong{"an “id” is out of range or used twice"};
    };
    for (const SourcePtr& s : p.sources)
        once(s->id.value);
    for (const TrackPtr& t : p.tracks) {
        once(t->id.value);
        for (const Clip& c : t->clips) {
            once(c.id.value);
            if (!sourceOf(p, c.source)) throw Wrong{"a clip's source is not in the project"};
        }
    }
}

Project projectFromJson(const Json& j, const std::filesystem::path& folder) {
    Project p;
    p.rate = static_cast<int>(whole(j, "rate"));
    if (p.rate < 8000 || p.rate > 192000) throw Wrong{"“rate” is out of range"};
    std::vector<metre::TempoPoint> tempo;
    for (const Json& point : list(j, "tempo")) {
        const std::string shape = text(point, "shape");
        if (shape != "ramp" && shape != "hold") throw Wrong{fmt::format("“{}” is no shape of tempo", shape)};
        tempo.push_back({Beats(number(point, "beat")), Bpm(number(point, "bpm")),
                         shape == "ramp" ? metre::TempoPoint::Shape::Ramp : metre::TempoPoint::Shape::Hold});
    }
    p.tempo = orWrong(metre::TempoMap::make(std::move(tempo)));
    std::vector<metre::MetrePoint> metres;
    for (const Json& point : list(j, "metre")) {
        const double bar = number(point, "bar");
        if (bar < 1 || bar > 1e6) throw Wrong{"“bar” is out of range"};
        metres.push_back({static_cast<int>(bar), orWrong(metre::parseMetre(text(point, "metre")))});
    }
    p.metre = orWrong(metre::MetreMap::make(std::move(metres)));
    p.key = keyFromJson(j);
    const std::string snap = text(j, "snap");
    bool known = false;
    for (const auto& [value, word] : snapWords)
        if (snap == word) {
            p.snap = value;
            known = true;
        }
    if (!known) throw Wrong{fmt::format("“{}” is no way to snap", snap)};
    p.click = truth(j, "click");
    const Json& loop = member(j, "loop");
    p.loop = {Beats(number(loop, "from")), Beats(number(loop, "to")), truth(loop, "on")};
    if (p.loop.from < Beats(0) || p.loop.to <= p.loop.from) throw Wrong{"the loop range is out of range"};
    for (const Json& s : list(j, "sources"))
        p.sources.push_back(std::make_shared<const Source>(sourceFromJson(s, folder)));
    for (const Json& t : list(j, "tracks")) {
        Track track;
        track.id = TrackId{whole(t, "id")};
        track.name = text(t, "name");
        track.tint = static_cast<int>(std::abs(whole(t, "tint")) % 64);
        track.gainDb = gain(t);
        track.mute = truth(t, "mute");
        track.solo = truth(t, "solo");
        for (const Json& c : list(t, "clips"))
            track.clips.push_back(clipFromJson(c));
        p.tracks.push_back(std::make_shared<const Track>(std::move(track)));
    }
    p.nextId = whole(j, "nextId");
    checkReferences(p);
    return p;
}

} // namespace

std::string toJson(const Project& p, const std::filesystem::path& folder) {
    return projectToJson(p, folder).dump(1, '\t', false, Json::error_handler_t::replace) + "\n";
}

Result<Project> fromJson(const std::string& text, const std::filesystem::path& folder, const std::string& shownAs) {
    const auto fail = [&](const std::string& reason) {
        return base::problem(fmt::format("{} could not be opened: {}.", shownAs, reason));
    };
    const Json j = Json::parse(text, nullptr, false);
    if (j.is_discarded()) return fail("the file is damaged or was cut off");
    try {
        if (!j.is_object() || !j.contains("format") || j["format"] != formatName)
            return fail("it is not a Patient Metre project");
        const std::int64_t version = whole(j, "version");
        if (version > formatVersion)
            return fail(fmt::format("it was made by a newer Patient Metre (format {}; this one reads up to {})",
                                    version, formatVersion));
        if (version < 1) return fail("“version” is out of range");
        return projectFromJson(j, folder);
    } catch (const Wrong& wrong) {
        std::string reason = wrong.what;
        if (!reason.empty() && reason.back() == '.') reason.pop_back();
        return fail(reason);
    }
}

} // namespace project
