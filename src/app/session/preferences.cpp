#include "app/session/preferences.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"

#include <QObject>
#include <QSettings>
#include <algorithm>
#include <array>
#include <cmath>
#include <initializer_list>

namespace app {

namespace {

QString fileName() {
    return qt((base::dataFolder() / "preferences.ini").string());
}

const std::array<std::pair<NewSources, const char*>, 3> newSourcesWords{
    {{NewSources::KeepTime, "keep"}, {NewSources::AsRecorded, "recorded"}, {NewSources::Lead, "lead"}}};

const std::array<std::pair<Theme, const char*>, 3> themeWords{
    {{Theme::Paper, "paper"}, {Theme::Lamp, "lamp"}, {Theme::Ink, "ink"}}};

const std::array<std::pair<LedBy, const char*>, 4> ledByWords{
    {{LedBy::Project, "project"}, {LedBy::Jack, "jack"}, {LedBy::JackGiven, "jack-given"}, {LedBy::Midi, "midi"}}};

using Choices = std::vector<std::pair<QString, QVariant>>;

// Numbers to choose from, each in words.
template <class Text>
Choices choicesOf(std::initializer_list<double> numbers, Text text) {
    Choices list;
    for (const double number : numbers)
        list.emplace_back(text(number), number);
    return list;
}

Choices deviceRates() {
    Choices list = choicesOf({44100, 48000, 88200, 96000, 176400, 192000},
                             [](double rate) { return QString::number(rate / 1000) + " kHz"; });
    list.emplace(list.begin(), QObject::tr("as the project"), 0);
    return list;
}

Choices deviceBuffers() {
    return choicesOf({64, 128, 256, 512, 1024, 2048},
                     [](double block) { return QObject::tr("%1 frames").arg(block); });
}

Choices workingTempos() {
    return choicesOf({40, 45, 50, 55, 60, 65, 70, 75, 80, 85, 90, 95, 100, 110, 120},
                     [](double from) { return QObject::tr("%1 to %2 BPM").arg(from).arg(2 * from); });
}

Choices tolerances() {
    return choicesOf({2, 5, 10, 15, 20, 30, 50}, [](double ms) { return QObject::tr("±%1 ms").arg(ms); });
}

// Every preference: its name in the file, within which limits its value makes sense, and how it is asked for. What
// it is without the file is its first value in Preferences. describe(v, p) calls v for each.
template <class V>
void describe(V& v, Preferences& p) {
    using Group = Asked::Group;
    v.value("output/simulated", p.output.simulated);
    v.value("output/device", p.output.device);
    v.asked({Group::Device, "outputRate", QObject::tr("Device rate"),
             QObject::tr("Where it differs from the project's, what is played is converted on its way."),
             deviceRates()});
    v.value("output/rate", p.output.rate, 0, 384000);
    v.asked(
        {Group::Device, "outputBlock", QObject::tr("Buffer"),
         QObject::tr(
             "How much sound the device asks for at once: less answers sooner, more is safer on a busy machine. "
             "A sound server has its own."),
         deviceBuffers()});
    v.value("output/block", p.output.block, 16, 8192);
    v.asked({Group::Appearance,
             "theme",
             QObject::tr("Theme"),
             QObject::tr(
                 "Paper is light; by lamplight it is dark; ink is black on white, with all the contrast there is."),
             {{QObject::tr("paper"), "paper"}, {QObject::tr("lamplight"), "lamp"}, {QObject::tr("ink"), "ink"}}});
    v.word("look/theme", p.theme, themeWords);
    AuditionWays& a = p.audition;
    v.value("audition/automatic", a.automatic);
    v.value("audition/inTempo", a.inTempo);
    v.value("audition/inKey", a.inKey);
    v.value("audition/repeat", a.repeat);
    v.value("audition/atOnce", a.atOnce);
    v.value("audition/level", a.db, AuditionWays::quietest, AuditionWays::loudest);
    v.asked({Group::NewSources, "preferNewSources", QObject::tr("New sources, on import"),
             QObject::tr(
                 "Fitted to the project's time; or kept as recorded; or the project takes the tempo of the first."),
             newSourceWays()});
    v.word("sources/new", p.newSources, newSourcesWords);
    v.asked(
        {Group::NewSources, "preferTempos", QObject::tr("Tempos I work at"),
         QObject::tr(
             "Where a recording may be counted twice as fast or half as fast, these count more; so do the "
             "project's tempo and what came from the same folder. What is clearly heard, named or tagged stays."),
         workingTempos()});
    v.value("sources/tempoFrom", p.worksFrom.value, project::Leaning::least, project::Leaning::most);
    v.asked(
        {Group::NewSources,
         "preferCopy",
         QObject::tr("Audio"),
         QObject::tr(
             "When the project is saved: copied into its folder, which can then be moved; or left where it lies."),
         {{QObject::tr("copied into the project"), true}, {QObject::tr("used where it is"), false}}});
    v.value("sources/copy", p.copyAudio);
    v.asked({Group::Together, "preferLedBy", QObject::tr("Led by"),
             QObject::tr("Who says when the project plays, and where. A JACK transport is started and stopped from "
                         "here too; a MIDI clock is not."),
             leadingWays()});
    v.word("together/ledBy", p.together.ledBy, ledByWords);
    v.value("together/midiIn", p.together.midiIn);
    v.value("together/midiOut", p.together.midiOut);
    v.asked({Group::Pads,
             "preferPads",
             QObject::tr("Pads"),
             QObject::tr("Whether what is struck at that port taps the project's tempo."),
             {{QObject::tr("tap the tempo"), true}, {QObject::tr("do nothing"), false}}});
    v.value("together/pads", p.together.pads);
    v.asked({Group::Proof, "tolerance", QObject::tr("In time up to"),
             QObject::tr("A hit that is farther off counts as early or late. Most ears let 10 ms pass."),
             tolerances()});
    v.milliseconds("proof/toleranceMs", p.tolerance, prove::leastTolerance, prove::mostTolerance);
    for (const stretch::MethodEntry& m : stretch::methodTable) {
        const bool isLast = &m == &stretch::methodTable.back();
        v.asked({Group::Proof, QStringLiteral("comfort-%1").arg(m.word), QObject::tr("%1 bears").arg(m.label),
                 isLast ? QObject::tr(
                              "Up to so much longer or shorter a sound is stretched gently by each method; up to "
                              "twice as much firmly. The meeting tempo spares what bears less.")
                        : QString()});
        v.value(QStringLiteral("comfort/%1").arg(m.word), p.comfort.percent[static_cast<std::size_t>(m.method)],
                prove::Comfort::least, prove::Comfort::most);
    }
    DeliverWays& d = p.delivery;
    v.value("deliver/what", d.what);
    v.value("deliver/pattern", d.pattern);
    v.kind("deliver/kind", d.kind);
    v.number("deliver/depth", d.depth, 2);
    v.value("deliver/quality", d.quality, 0, 10);
    v.value("deliver/rate", d.rate, 0, deliver::highestRate);
    v.number("deliver/level", d.level, 3);
    v.value("deliver/tags", d.tags);
    v.value("window/place", p.window);
    v.value("window/sides", p.sides);
    v.value("window/levels", p.levels);
    v.value("projects/recent", p.recent);
}

// Takes values from where file(name) finds them. What is missing or makes no sense leaves the value as it is.
template <class File>
struct From {
    explicit From(File where) : file(std::move(where)) {}
    File file; // of a name: a QVariant, invalid where there is none

    void asked(const Asked&) {}
    template <class T>
    void value(const QString& name, T& to) {
        const QVariant read = file(name);
        if (!read.isValid()) return;
        if constexpr (std::is_same_v<T, std::string>)
            to = read.toString().toStdString();
        else
            to = read.value<T>();
    }
    void value(const QString& name, int& to, int low, int high) {
        if (const QVariant read = file(name); read.isValid()) to = std::clamp(read.toInt(), low, high);
    }
    void value(const QString& name, double& to, double low, double high) {
        bool isNumber = false;
        const double read = file(name).toDouble(&isNumber);
        if (isNumber && std::isfinite(read)) to = std::clamp(read, low, high);
    }
    void milliseconds(const QString& name, metre::Seconds& to, metre::Seconds low, metre::Seconds high) {
        double ms = to.value * 1000;
        value(name, ms, low.value * 1000, high.value * 1000);
        to = metre::Seconds(ms / 1000);
    }
    template <class E, class Words>
    void word(const QString& name, E& to, const Words& words) {
        const QString read = file(name).toString();
        for (const auto& [each, text] : words)
            if (read == QLatin1String(text)) to = each;
    }
    void kind(const QString& name, sound::FileKind& to) {
        to = sound::kindFromWord(file(name).toString().toStdString()).value_or(to);
    }
    template <class E>
    void number(const QString& name, E& to, int highest) {
        if (const QVariant read = file(name); read.isValid())
            to = static_cast<E>(std::clamp(read.toInt(), 0, highest));
    }
};

// Gives every value to file(name, value).
template <class File>
struct Into {
    explicit Into(File where) : file(std::move(where)) {}
    File file;

    void asked(const Asked&) {}
    template <class T, class... Limits>
    void value(const QString& name, const T& from, Limits...) {
        if constexpr (std::is_same_v<T, std::string>)
            file(name, qt(from));
        else
            file(name, from);
    }
    void milliseconds(const QString& name, metre::Seconds from, metre::Seconds, metre::Seconds) {
        file(name, from.value * 1000);
    }
    template <class E, class Words>
    void word(const QString& name, E from, const Words& words) {
        for (const auto& [each, text] : words)
            if (each == from) file(name, QString::fromLatin1(text));
    }
    void kind(const QString& name, sound::FileKind from) { file(name, qt(sound::kindWord(from))); }
    template <class E>
    void number(const QString& name, E from, int) {
        file(name, static_cast<int>(from));
    }
};

// Takes notice of every name, and of how it is asked for.
struct Entries {
    std::vector<PreferenceEntry> all;
    std::optional<Asked> next;

    void asked(Asked asked) { next = std::move(asked); }
    void add(const QString& name) { all.push_back({name, std::exchange(next, std::nullopt)}); }
    template <class... Rest>
    void value(const QString& name, const Rest&...) {
        add(name);
    }
    template <class... Rest>
    void milliseconds(const QString& name, const Rest&...) {
        add(name);
    }
    template <class... Rest>
    void word(const QString& name, const Rest&...) {
        add(name);
    }
    template <class... Rest>
    void kind(const QString& name, const Rest&...) {
        add(name);
    }
    template <class... Rest>
    void number(const QString& name, const Rest&...) {
        add(name);
    }
};

} // namespace

Choices leadingWays() {
    return {{QObject::tr("the project itself"), "project"},
            {QObject::tr("JACK"), "jack"},
            {QObject::tr("JACK, at the project's tempo"), "jack-given"},
            {QObject::tr("MIDI clock"), "midi"}};
}

Choices newSourceWays() {
    return {{QObject::tr("keep project time"), "keep"},
            {QObject::tr("stay as recorded"), "recorded"},
            {QObject::tr("lead"), "lead"}};
}

std::vector<PreferenceEntry> preferenceTable() {
    Preferences p;
    Entries entries;
    describe(entries, p);
    return entries.all;
}

QVariant preferenceOf(const Preferences& preferences, const QString& key) {
    Preferences p = preferences;
    QVariant found;
    Into into([&](const QString& name, const QVariant& value) {
        if (name == key) found = value;
    });
    describe(into, p);
    return found;
}

void setPreference(Preferences& preferences, const QString& key, const QVariant& value) {
    From from([&](const QString& name) { return name == key ? value : QVariant(); });
    describe(from, preferences);
}

Preferences loadPreferences() {
    const QSettings file(fileName(), QSettings::IniFormat);
    Preferences p;
    // As it was kept while there were two themes.
    if (file.value("look/lamp").toBool()) p.theme = Theme::Lamp;
    From from([&](const QString& name) { return file.value(name); });
    describe(from, p);
    p.recent = p.recent.mid(0, Preferences::mostRecent);
    return p;
}

void savePreferences(const Preferences& p) {
    std::error_code ignored;
    std::filesystem::create_directories(base::dataFolder(), ignored);
    QSettings file(fileName(), QSettings::IniFormat);
    Into into([&](const QString& name, const QVariant& value) { file.setValue(name, value); });
    Preferences all = p;
    describe(into, all);
}

} // namespace app
