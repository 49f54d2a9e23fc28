// The document as JSON: docs/format.md says what each member means. The only file that includes the JSON library.
#include "project/save.h"

#include "base/utf8.h"
#include "project/describe.h"
#include "project/feel_file.h"
#include "project/lead.h"

#include <array>
#include <cmath>
#include <concepts>
#include <fmt/format.h>
#include <nlohmann/json.hpp>
#include <set>

namespace project {

namespace {

using Json = nlohmann::ordered_json;

constexpr const char* formatName = "patient-metre-project";

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

template <class T>
T orWrong(Result<T> result) {
    if (!result) throw Wrong{result.error().text};
    return std::move(*result);
}

// Where a value stands: for reading.
struct Place {
    const char* name;
    Limits limits;
    const std::filesystem::path& folder;
    int version;
};

double number(const Json& j, const Place& place) {
    if (!j.is_number()) throw Wrong{fmt::format("“{}” is not a number", place.name)};
    const double value = j.get<double>();
    if (!std::isfinite(value) || value < place.limits.low || value > place.limits.high)
        throw Wrong{fmt::format("“{}” is out of range: it lies between {:.10g} and {:.10g}", place.name,
                                place.limits.low, place.limits.high)};
    return value;
}

std::int64_t whole(const Json& j, const Place& place) {
    const double value = number(j, place);
    if (value != std::floor(value)) throw Wrong{fmt::format("“{}” is not a whole number", place.name)};
    return static_cast<std::int64_t>(value);
}

std::string text(const Json& j, const Place& place) {
    if (!j.is_string()) throw Wrong{fmt::format("“{}” is not text", place.name)};
    return j.get<std::string>();
}

// How a type stands in the file; structs stand as their description says.
template <class T>
struct Stored;

template <class T>
Json written(const T& value, const std::filesystem::path& folder) {
    return Stored<T>::write(value, folder);
}
template <class T>
T readFrom(const Json& j, const Place& place) {
    return Stored<T>::read(j, place);
}

struct Writer {
    const std::filesystem::path& folder;
    Json out = Json::object();
    template <class T>
    void member(const char* name, T& value, Limits = {}, int = 1) {
        out[name] = written(value, folder);
    }
};

struct Reader {
    const Json& from;
    const std::filesystem::path& folder;
    int version;
    template <class T>
    void member(const char* name, T& value, Limits limits = {}, int since = 1) {
        if (!from.is_object() || !from.contains(name)) {
            if (version < since) return; // it has its first value
            throw Wrong{fmt::format("“{}” is missing", name)};
        }
        value = readFrom<T>(from[name], {name, limits, folder, version});
    }
};

// Takes notice of every name, in every struct that is reached.
struct Names {
    std::string of;
    std::vector<StoredMember>& all;
    template <class T>
    void member(const char* name, T&, Limits = {}, int since = 1) {
        all.push_back({of, name, since});
    }
};

template <class T>
struct Stored {
    static Json write(const T& value, const std::filesystem::path& folder) {
        Writer writer{folder};
        describe(writer, const_cast<T&>(value)); // it only reads
        return writer.out;
    }
    static T read(const Json& j, const Place& place) {
        T value;
        Reader reader{j, place.folder, place.version};
        describe(reader, value);
        if (const char* wrong = wrongWith(value)) throw Wrong{wrong};
        return value;
    }
};

template <>
struct Stored<bool> {
    static Json write(bool value, const std::filesystem::path&) { return value; }
    static bool read(const Json& j, const Place& place) {
        if (!j.is_boolean()) throw Wrong{fmt::format("“{}” is neither true nor false", place.name)};
        return j.get<bool>();
    }
};

template <>
struct Stored<double> {
    static Json write(double value, const std::filesystem::path&) { return value; }
    static double read(const Json& j, const Place& place) { return number(j, place); }
};

template <std::integral T>
struct Stored<T> {
    static Json write(T value, const std::filesystem::path&) { return value; }
    static T read(const Json& j, const Place& place) { return static_cast<T>(whole(j, place)); }
};

template <>
struct Stored<std::string> {
    static Json write(const std::string& value, const std::filesystem::path&) { return base::toUtf8(value); }
    static std::string read(const Json& j, const Place& place) { return text(j, place); }
};

template <class Tag, class Rep>
struct Stored<metre::Quantity<Tag, Rep>> {
    static Json write(metre::Quantity<Tag, Rep> q, const std::filesystem::path& f) { return written(q.value, f); }
    static metre::Quantity<Tag, Rep> read(const Json& j, const Place& place) {
        return metre::Quantity<Tag, Rep>(readFrom<Rep>(j, place));
    }
};

template <class Tag>
struct Stored<Id<Tag>> {
    static Json write(Id<Tag> id, const std::filesystem::path&) { return id.value; }
    static Id<Tag> read(const Json& j, const Place& place) { return {whole(j, place)}; }
};

template <class E>
requires std::is_enum_v<E>
struct Stored<E> {
    static Json write(E value, const std::filesystem::path&) {
        for (const auto& [each, word] : Words<E>::all)
            if (each == value) return word;
        return nullptr;
    }
    static E read(const Json& j, const Place& place) {
        const std::string word = text(j, place);
        for (const auto& [value, each] : Words<E>::all)
            if (word == each) return value;
        throw Wrong{fmt::format("“{}” is no {}", word, Words<E>::what)};
    }
};

// Enumerations whose words belong to their own room.
template <class E, const char* (*toWord)(E), std::optional<E> (*fromWord)(const std::string&)>
struct StoredWord {
    static const char* what() {
        if constexpr (std::is_same_v<E, hear::Kind>) return "kind of sound";
        return std::is_same_v<E, hear::Witness> ? "kind of reading" : "method";
    }
    static Json write(E value, const std::filesystem::path&) { return toWord(value); }
    static E read(const Json& j, const Place& place) {
        const auto value = fromWord(text(j, place));
        if (!value) throw Wrong{fmt::format("“{}” is no {}", text(j, place), what())};
        return *value;
    }
};
template <>
struct Stored<hear::Witness> : StoredWord<hear::Witness, hear::witnessWord, hear::witnessFromWord> {};
template <>
struct Stored<hear::Kind> : StoredWord<hear::Kind, hear::kindWord, hear::kindFromWord> {};
template <>
struct Stored<stretch::Method> : StoredWord<stretch::Method, stretch::methodWord, stretch::methodFromWord> {};

template <>
struct Stored<hear::Key> {
    static Json write(const hear::Key& key, const std::filesystem::path&) { return hear::keyName(key); }
    static hear::Key read(const Json& j, const Place& place) {
        const auto key = hear::parseKey(text(j, place));
        if (!key) throw Wrong{fmt::format("“{}” is not a key", place.name)};
        return *key;
    }
};

template <>
struct Stored<metre::Metre> {
    static Json write(const metre::Metre& m, const std::filesystem::path&) { return metre::metreLabel(m); }
    static metre::Metre read(const Json& j, const Place& place) {
        return orWrong(metre::parseMetre(text(j, place)));
    }
};

template <>
struct Stored<std::filesystem::path> {
    static Json write(const std::filesystem::path& path, const std::filesystem::path& folder) {
        return pathToJson(path, folder);
    }
    static std::filesystem::path read(const Json& j, const Place& place) { return pathFromJson(j, place.folder); }
};

template <class T>
struct Stored<std::optional<T>> {
    static Json write(const std::optional<T>& value, const std::filesystem::path& folder) {
        return value ? written(*value, folder) : Json(nullptr);
    }
    static std::optional<T> read(const Json& j, const Place& place) {
        return j.is_null() ? std::nullopt : std::optional<T>(readFrom<T>(j, place));
    }
};

template <class T>
struct Stored<std::vector<T>> {
    static Json write(const std::vector<T>& values, const std::filesystem::path& folder) {
        Json list = Json::array();
        for (const T& value : values)
            list.push_back(written(value, folder));
        return list;
    }
    static std::vector<T> read(const Json& j, const Place& place) {
        if (!j.is_array()) throw Wrong{fmt::format("“{}” is not a list", place.name)};
        std::vector<T> values;
        for (const Json& each : j)
            values.push_back(readFrom<T>(each, place));
        return values;
    }
};

template <class T>
struct Stored<base::SharedList<T>> {
    static Json write(const base::SharedList<T>& values, const std::filesystem::path& folder) {
        return written(values.list(), folder);
    }
    static base::SharedList<T> read(const Json& j, const Place& place) {
        return readFrom<std::vector<T>>(j, place);
    }
};

template <class T>
struct Stored<std::shared_ptr<const T>> {
    static Json write(const std::shared_ptr<const T>& value, const std::filesystem::path& folder) {
        return written(*value, folder);
    }
    static std::shared_ptr<const T> read(const Json& j, const Place& place) {
        return std::make_shared<const T>(readFrom<T>(j, place));
    }
};

// Maps stand as the list of their points.
template <class Map, class Point>
struct StoredMap {
    static Json write(const Map& map, const std::filesystem::path& folder) {
        return written(pointsOf(map), folder);
    }
    static Map read(const Json& j, const Place& place) {
        return orWrong(Map::make(readFrom<std::vector<Point>>(j, place)));
    }

  private:
    static const std::vector<Point>& pointsOf(const Map& map) {
        if constexpr (std::is_same_v<Point, metre::Pin>)
            return map.pins();
        else
            return map.points();
    }
};
template <>
struct Stored<metre::TempoMap> : StoredMap<metre::TempoMap, metre::TempoPoint> {};
template <>
struct Stored<metre::MetreMap> : StoredMap<metre::MetreMap, metre::MetrePoint> {};
template <>
struct Stored<KeyMap> : StoredMap<KeyMap, KeyPoint> {};
template <>
struct Stored<metre::BeatMap> : StoredMap<metre::BeatMap, metre::Pin> {};

template <class T>
void notice(const char* of, std::vector<StoredMember>& all) {
    Names names{of, all};
    T value{};
    describe(names, value);
}

// What older versions said in other words.
// Until format 7 how one works stood among what one makes.
void partView(Json& j) {
    Json view = Json::object();
    for (const char* name : {"snap", "click", "clickGain", "countIn", "outputGain"})
        if (j.contains(name)) view[name] = j[name];
    if (j.contains("loop") && j["loop"].is_object() && j["loop"].contains("on")) view["looping"] = j["loop"]["on"];
    Json heights = Json::array();
    if (j.contains("tracks") && j["tracks"].is_array())
        for (const Json& t : j["tracks"])
            if (t.is_object() && t.contains("height") && t.contains("id"))
                heights.push_back({{"track", t["id"]}, {"height", t["height"]}});
    view["heights"] = std::move(heights);
    for (const auto& [name, otherwise] :
         {std::pair<const char*, Json>{"clickGain", 0.0}, {"countIn", 0}, {"outputGain", 0.0}})
        if (!view.contains(name)) view[name] = otherwise;
    j["view"] = std::move(view);
}

void bringUpToDate(Json& j, std::int64_t version) {
    if (version < 8) partView(j);
    if (version >= 4) return;
    if (j.contains("key")) j["keys"] = Json::array({{{"bar", 1}, {"key", j["key"]}}});
    if (!j.contains("tracks") || !j["tracks"].is_array()) return;
    std::set<std::int64_t> withBeats;
    if (j.contains("sources") && j["sources"].is_array())
        for (const Json& s : j["sources"])
            if (s.is_object() && s.contains("pins") && !s["pins"].is_null() && s.contains("id") &&
                s["id"].is_number_integer())
                withBeats.insert(s["id"].get<std::int64_t>());
    // Every clip had a rule of its own; what would be so anyway is no longer said.
    for (Json& t : j["tracks"]) {
        if (!t.is_object() || !t.contains("clips") || !t["clips"].is_array()) continue;
        for (Json& c : t["clips"]) {
            if (!c.is_object() || !c.contains("rule")) continue;
            const bool beats = c.contains("source") && c["source"].is_number_integer() &&
                               withBeats.count(c["source"].get<std::int64_t>()) > 0;
            if (c["rule"] == "stretch" || (c["rule"] == "place" && !beats)) c["rule"] = nullptr;
        }
    }
}

void checkReferences(const Project& p) {
    std::set<std::int64_t> ids;
    const auto once = [&](std::int64_t id) {
        if (id < 1 || id >= p.nextId || !ids.insert(id).second)
            throw Wrong{"an “id” is out of range or used twice"};
    };
    std::set<SetId> sets;
    for (const SourcePtr& s : p.sources) {
        once(s->id.value);
        if (s->set && sets.insert(*s->set).second) once(s->set->value);
    }
    for (const TrackPtr& t : p.tracks) {
        once(t->id.value);
        for (const Clip& c : t->clips) {
            once(c.id.value);
            if (!sourceOf(p, c.source)) throw Wrong{"a clip's source is not in the project"};
        }
    }
    if (p.lead && clipOf(p, p.lead->clip) == nullptr) throw Wrong{"the clip that leads is not in the project"};
}

} // namespace

std::string toJson(const Project& p, const std::filesystem::path& folder) {
    Json out = {{"format", formatName}, {"version", formatVersion}};
    out.update(written(p, folder));
    return out.dump(1, '\t', false, Json::error_handler_t::replace) + "\n";
}

std::string sourceToJson(const Source& source) {
    Source stored = source;
    stored.id = SourceId{1};
    stored.set.reset();
    Json out = {{"version", formatVersion}};
    out.update(written(stored, {}));
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

std::optional<Source> sourceFromJson(const std::string& text) {
    const Json j = Json::parse(text, nullptr, false);
    const std::filesystem::path none;
    try {
        if (!j.is_object() || !j.contains("version")) return std::nullopt;
        const std::int64_t version = whole(j["version"], {"version", {}, none, 1});
        if (version < 1 || version > formatVersion) return std::nullopt;
        auto source = readFrom<Source>(j, {"source", {}, none, static_cast<int>(version)});
        source.id = {};
        source.set.reset();
        return source;
    } catch (const Wrong&) {
        return std::nullopt;
    }
}

Result<Project> fromJson(const std::string& text, const std::filesystem::path& folder, const std::string& shownAs) {
    const auto fail = [&](const std::string& reason) {
        return base::problem(fmt::format("{} could not be opened: {}.", shownAs, reason));
    };
    Json j = Json::parse(text, nullptr, false);
    if (j.is_discarded()) return fail("the file is damaged or was cut off");
    try {
        if (!j.is_object() || !j.contains("format") || j["format"] != formatName)
            return fail("it is not a Patient Metre project");
        if (!j.contains("version")) return fail("“version” is missing");
        const std::int64_t version = whole(j["version"], {"version", {}, folder, 1});
        if (version > formatVersion)
            return fail(fmt::format("it was made by a newer Patient Metre (format {}; this one reads up to {})",
                                    version, formatVersion));
        if (version < 1) return fail("“version” is out of range");
        bringUpToDate(j, version);
        auto p = readFrom<Project>(j, {"project", {}, folder, static_cast<int>(version)});
        checkReferences(p);
        return withLead(p);
    } catch (const Wrong& wrong) {
        std::string reason = wrong.what;
        if (!reason.empty() && reason.back() == '.') reason.pop_back();
        return fail(reason);
    }
}

namespace {
constexpr const char* feelFormat = "patient-metre-feel";
constexpr int feelVersion = 1;
} // namespace

std::string feelToJson(const NamedFeel& named) {
    Json out = {{"format", feelFormat}, {"version", feelVersion}, {"name", named.name}};
    out.update(written(named.feel, {}));
    return out.dump(1, '\t', false, Json::error_handler_t::replace) + "\n";
}

Result<NamedFeel> feelFromJson(const std::string& text, const std::filesystem::path& file) {
    const auto fail = [&](const std::string& reason) {
        return base::problem(fmt::format("{} could not be read as a feel: {}.", base::shownPath(file), reason));
    };
    const Json j = Json::parse(text, nullptr, false);
    if (j.is_discarded()) return fail("the file is damaged or was cut off");
    const std::filesystem::path none;
    try {
        if (!j.is_object() || !j.contains("format") || j["format"] != feelFormat) return fail("it is no feel");
        if (!j.contains("version")) return fail("“version” is missing");
        const std::int64_t version = whole(j["version"], {"version", {}, none, 1});
        if (version != feelVersion)
            return fail(fmt::format("it is of format {}; this Patient Metre reads {}", version, feelVersion));
        NamedFeel named;
        if (j.contains("name")) named.name = project::text(j["name"], {"name", {}, none, 1});
        named.feel = readFrom<hear::Feel>(j, {"feel", {}, none, formatVersion});
        return named;
    } catch (const Wrong& wrong) {
        return fail(wrong.what);
    }
}

std::vector<StoredMember> storedMembers() {
    std::vector<StoredMember> all = {{"project", "format", 1}, {"project", "version", 1}};
    notice<Project>("project", all);
    notice<metre::TempoPoint>("tempo point", all);
    notice<metre::MetrePoint>("metre point", all);
    notice<KeyPoint>("key point", all);
    notice<Section>("section", all);
    notice<LoopRange>("loop range", all);
    notice<View>("view", all);
    notice<TrackHeight>("track height", all);
    notice<Source>("source", all);
    notice<hear::Reading>("reading", all);
    notice<hear::Candidate>("candidate", all);
    notice<metre::Pin>("pin", all);
    notice<hear::Window>("listen", all);
    notice<Marks>("marks", all);
    notice<PinNote>("pin note", all);
    notice<Straightness>("straight", all);
    notice<Lead>("lead", all);
    notice<Track>("track", all);
    notice<Clip>("clip", all);
    notice<Tighten>("tighten", all);
    notice<hear::Feel>("feel", all);
    notice<hear::FeelPlace>("feel place", all);
    notice<Fade>("fade", all);
    return all;
}

} // namespace project
