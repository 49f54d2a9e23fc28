#include "app/session/preferences.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"

#include <QSettings>
#include <algorithm>

namespace app {

namespace {
QString fileName() {
    return qt((base::dataFolder() / "preferences.ini").string());
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
    file.setValue("projects/recent", p.recent);
}

} // namespace app
