#include "app/session/preferences.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"

#include <QSettings>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
QString fileName() {
    return qt((base::dataFolder() / "preferences.ini").string());
}
QString comfortName(stretch::Method m) {
    return QStringLiteral("comfort/%1").arg(stretch::methodWord(m));
}
} // namespace

Preferences loadPreferences() {
    const QSettings file(fileName(), QSettings::IniFormat);
    Preferences p;
    p.output.simulated = file.value("output/simulated", false).toBool();
    p.output.device = file.value("output/device").toString().toStdString();
    p.output.rate = std::clamp(file.value("output/rate", 0).toInt(), 0, 384000);
    p.output.block = std::clamp(file.value("output/block", 256).toInt(), 16, 8192);
    p.lamp = file.value("look/lamp", false).toBool();
    AuditionWays& a = p.audition;
    a.automatic = file.value("audition/automatic", a.automatic).toBool();
    a.inTempo = file.value("audition/inTempo", a.inTempo).toBool();
    a.inKey = file.value("audition/inKey", a.inKey).toBool();
    a.repeat = file.value("audition/repeat", a.repeat).toBool();
    a.atOnce = file.value("audition/atOnce", a.atOnce).toBool();
    a.db = std::clamp(file.value("audition/level", a.db).toDouble(), AuditionWays::quietest, AuditionWays::loudest);
    const QString news = file.value("sources/new", "keep").toString();
    p.newSources = news == "recorded" ? NewSources::AsRecorded
                   : news == "lead"   ? NewSources::Lead
                                      : NewSources::KeepTime;
    p.copyAudio = file.value("sources/copy", true).toBool();
    const auto number = [&](const QString& name, double usual, double low, double high) {
        const double value = file.value(name, usual).toDouble();
        return std::isfinite(value) ? std::clamp(value, low, high) : usual;
    };
    p.worksFrom =
        metre::Bpm(number("sources/tempoFrom", p.worksFrom.value, project::Leaning::least, project::Leaning::most));
    p.tolerance = metre::Seconds(number("proof/toleranceMs", p.tolerance.value * 1000,
                                        prove::leastTolerance.value * 1000, prove::mostTolerance.value * 1000) /
                                 1000);
    for (const stretch::Method m : stretch::methods()) {
        double& bears = p.comfort.percent[static_cast<std::size_t>(m)];
        bears = number(comfortName(m), bears, prove::Comfort::least, prove::Comfort::most);
    }
    DeliverWays& d = p.delivery;
    d.what = file.value("deliver/what", d.what).toStringList();
    d.pattern = file.value("deliver/pattern", d.pattern).toString();
    d.kind = sound::kindFromWord(file.value("deliver/kind", sound::kindWord(d.kind)).toString().toStdString())
                 .value_or(d.kind);
    d.depth =
        static_cast<sound::Depth>(std::clamp(file.value("deliver/depth", static_cast<int>(d.depth)).toInt(), 0, 2));
    d.quality = std::clamp(file.value("deliver/quality", d.quality).toInt(), 0, 10);
    d.rate = std::clamp(file.value("deliver/rate", d.rate).toInt(), 0, deliver::highestRate);
    d.level = static_cast<deliver::Level>(
        std::clamp(file.value("deliver/level", static_cast<int>(d.level)).toInt(), 0, 3));
    d.tags = file.value("deliver/tags", d.tags).toBool();
    p.window = file.value("window/place").toByteArray();
    p.sides = file.value("window/sides").toByteArray();
    p.levels = file.value("window/levels").toByteArray();
    p.recent = file.value("projects/recent").toStringList().mid(0, Preferences::mostRecent);
    return p;
}

void savePreferences(const Preferences& p) {
    std::error_code ignored;
    std::filesystem::create_directories(base::dataFolder(), ignored);
    QSettings file(fileName(), QSettings::IniFormat);
    file.setValue("output/simulated", p.output.simulated);
    file.setValue("output/device", qt(p.output.device));
    file.setValue("output/rate", p.output.rate);
    file.setValue("output/block", p.output.block);
    file.setValue("look/lamp", p.lamp);
    file.setValue("audition/automatic", p.audition.automatic);
    file.setValue("audition/inTempo", p.audition.inTempo);
    file.setValue("audition/inKey", p.audition.inKey);
    file.setValue("audition/repeat", p.audition.repeat);
    file.setValue("audition/atOnce", p.audition.atOnce);
    file.setValue("audition/level", p.audition.db);
    file.setValue("sources/new", p.newSources == NewSources::AsRecorded ? "recorded"
                                 : p.newSources == NewSources::Lead     ? "lead"
                                                                        : "keep");
    file.setValue("sources/copy", p.copyAudio);
    file.setValue("sources/tempoFrom", p.worksFrom.value);
    file.setValue("projects/recent", p.recent);
    file.setValue("proof/toleranceMs", p.tolerance.value * 1000);
    for (const stretch::Method m : stretch::methods())
        file.setValue(comfortName(m), p.comfort.of(m));
    file.setValue("deliver/what", p.delivery.what);
    file.setValue("deliver/pattern", p.delivery.pattern);
    file.setValue("deliver/kind", sound::kindWord(p.delivery.kind));
    file.setValue("deliver/depth", static_cast<int>(p.delivery.depth));
    file.setValue("deliver/quality", p.delivery.quality);
    file.setValue("deliver/rate", p.delivery.rate);
    file.setValue("deliver/level", static_cast<int>(p.delivery.level));
    file.setValue("deliver/tags", p.delivery.tags);
    file.setValue("window/place", p.window);
    file.setValue("window/sides", p.sides);
    file.setValue("window/levels", p.levels);
}

} // namespace app
