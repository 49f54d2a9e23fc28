#include "app/session/preferences.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"

#include <QSettings>
#include <algorithm>
#include <array>
#include <cmath>

namespace app {

namespace {

QString fileName() {
    return qt((base::dataFolder() / "preferences.ini").string());
}

const std::array<std::pair<NewSources, const char*>, 3> newSourcesWords{
    {{NewSources::KeepTime, "keep"}, {NewSources::AsRecorded, "recorded"}, {NewSources::Lead, "lead"}}};

// Every preference: its name in the file, and within which limits its value makes sense. What it is without the
// file is its first value in Preferences. describe(v, p) calls v for each; V reads or writes.
template <class V>
void describe(V& v, Preferences& p) {
    v.value("output/simulated", p.output.simulated);
    v.value("output/device", p.output.device);
    v.value("output/rate", p.output.rate, 0, 384000);
    v.value("output/block", p.output.block, 16, 8192);
    v.value("look/lamp", p.lamp);
    AuditionWays& a = p.audition;
    v.value("audition/automatic", a.automatic);
    v.value("audition/inTempo", a.inTempo);
    v.value("audition/inKey", a.inKey);
    v.value("audition/repeat", a.repeat);
    v.value("audition/atOnce", a.atOnce);
    v.value("audition/level", a.db, AuditionWays::quietest, AuditionWays::loudest);
    v.word("sources/new", p.newSources, newSourcesWords);
    v.value("sources/copy", p.copyAudio);
    v.value("sources/tempoFrom", p.worksFrom.value, project::Leaning::least, project::Leaning::most);
    v.milliseconds("proof/toleranceMs", p.tolerance, prove::leastTolerance, prove::mostTolerance);
    for (const stretch::MethodEntry& m : stretch::methodTable)
        v.value(QStringLiteral("comfort/%1").arg(m.word), p.comfort.percent[static_cast<std::size_t>(m.method)],
                prove::Comfort::least, prove::Comfort::most);
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

// What is missing or makes no sense leaves the value as it is.
struct FromFile {
    const QSettings& file;

    void value(const QString& name, bool& to) { to = file.value(name, to).toBool(); }
    void value(const QString& name, QString& to) { to = file.value(name, to).toString(); }
    void value(const QString& name, std::string& to) { to = file.value(name, qt(to)).toString().toStdString(); }
    void value(const QString& name, QStringList& to) { to = file.value(name, to).toStringList(); }
    void value(const QString& name, QByteArray& to) { to = file.value(name, to).toByteArray(); }
    void value(const QString& name, int& to, int low, int high) {
        to = std::clamp(file.value(name, to).toInt(), low, high);
    }
    void value(const QString& name, double& to, double low, double high) {
        const double read = file.value(name, to).toDouble();
        if (std::isfinite(read)) to = std::clamp(read, low, high);
    }
    void milliseconds(const QString& name, metre::Seconds& to, metre::Seconds low, metre::Seconds high) {
        double ms = to.value * 1000;
        value(name, ms, low.value * 1000, high.value * 1000);
        to = metre::Seconds(ms / 1000);
    }
    template <class E, class Words>
    void word(const QString& name, E& to, const Words& words) {
        const QString read = file.value(name).toString();
        for (const auto& [each, text] : words)
            if (read == QLatin1String(text)) to = each;
    }
    void kind(const QString& name, sound::FileKind& to) {
        to = sound::kindFromWord(file.value(name).toString().toStdString()).value_or(to);
    }
    template <class E>
    void number(const QString& name, E& to, int highest) {
        to = static_cast<E>(std::clamp(file.value(name, static_cast<int>(to)).toInt(), 0, highest));
    }
};

struct IntoFile {
    QSettings& file;

    template <class T, class... Limits>
    void value(const QString& name, const T& from, Limits...) {
        if constexpr (std::is_same_v<T, std::string>)
            file.setValue(name, qt(from));
        else
            file.setValue(name, from);
    }
    void milliseconds(const QString& name, metre::Seconds from, metre::Seconds, metre::Seconds) {
        file.setValue(name, from.value * 1000);
    }
    template <class E, class Words>
    void word(const QString& name, E from, const Words& words) {
        for (const auto& [each, text] : words)
            if (each == from) file.setValue(name, QString::fromLatin1(text));
    }
    void kind(const QString& name, sound::FileKind from) { file.setValue(name, sound::kindWord(from)); }
    template <class E>
    void number(const QString& name, E from, int) {
        file.setValue(name, static_cast<int>(from));
    }
};

} // namespace

Preferences loadPreferences() {
    const QSettings file(fileName(), QSettings::IniFormat);
    Preferences p;
    FromFile from{file};
    describe(from, p);
    p.recent = p.recent.mid(0, Preferences::mostRecent);
    return p;
}

void savePreferences(const Preferences& p) {
    std::error_code ignored;
    std::filesystem::create_directories(base::dataFolder(), ignored);
    QSettings file(fileName(), QSettings::IniFormat);
    IntoFile into{file};
    Preferences all = p;
    describe(into, all);
}

} // namespace app
