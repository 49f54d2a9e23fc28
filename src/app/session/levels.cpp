#include "app/session/levels.h"

#include "app/widgets/text.h"

namespace app {

void Levels::normalise(project::Normalise how) {
    const std::vector<ClipId> clips = selection().clips;
    if (how == project::Normalise::No) {
        edit(tr("Normalise"), project::setNormalise(now(), clips, how, {}));
        return;
    }
    struct Played {
        project::Clip clip;
        std::shared_ptr<const project::Sound> sound;
    };
    std::vector<Played> parts;
    for (const ClipId id : clips) {
        const project::LaidClip* c = laid()->find(id);
        if (c == nullptr || !c->source || !c->source->sound) {
            say(tr("The audio of a selected clip is missing; its level cannot be measured."));
            return;
        }
        parts.push_back({*c->clip, c->source->sound});
    }
    jobs_.start<std::vector<double>>(
        Lane::Files, tr("Measuring levels"),
        [parts = std::move(parts), how](const base::Progress& progress) {
            std::vector<double> gains;
            for (std::size_t i = 0; i < parts.size() && !progress.stopped(); ++i) {
                progress.at(double(i) / double(parts.size()));
                gains.push_back(project::gainTo(how, parts[i].clip, *parts[i].sound).value_or(0));
            }
            return gains;
        },
        [this, how, clips, taken = document_.snapshot()](const std::vector<double>& gains) {
            if (document_.isOf(taken) && gains.size() == clips.size()) measured(how, clips, gains);
        });
}

void Levels::measured(project::Normalise how, const std::vector<ClipId>& clips, const std::vector<double>& gains) {
    if (!edit(tr("Normalise"), project::setNormalise(now(), clips, how, gains))) return;
    const QString to = how == project::Normalise::Peak ? tr("%1 dBTP").arg(project::normalPeakDb)
                                                       : tr("%1 LUFS").arg(project::normalLoudness);
    say(clips.size() == 1 ? tr("Brought to %1: %2 dB").arg(to).arg(gains.front(), 0, 'f', 1)
                          : tr("%1 clips brought to %2").arg(clips.size()).arg(to));
}

} // namespace app
