// The menu of fitting: how the selected clips lie in time, and in which key.
#include "app/commands/asking.h"
#include "app/commands/command.h"
#include "app/session/recordings_tempo.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"
#include "project/counted.h"
#include "project/take_time.h"

#include <algorithm>
#include <cmath>

namespace app {

namespace {

void fitClipsToBars(Reach& r) {
    // The nearest whole bars to what the first fills now.
    const auto fills = project::barsFilled(r.session.now(), chosenClips(r).front());
    const double proposed = fills ? std::clamp(std::round(*fills), 1.0, 1024.0) : 4;
    const auto n = static_cast<int>(chosenClips(r).size());
    QString question = counted(n, words("How many bars shall the selected clip fill?"),
                               words("How many bars shall each of the %1 selected clips fill?"));
    if (n == 1 && fills) question += words(" Now: %1.").arg(std::round(*fills * 100) / 100);
    askNumber(r.frame.widget(), {words("Fit to bars"), question, proposed, 1, 1024, 0}, [&r](double bars) {
        editChosen(r, words("Fit to bars"),
                   project::fitToBars(r.session.now(), chosenClips(r), static_cast<int>(bars)),
                   counted(std::lround(bars), words("fitted to 1 bar"), words("fitted to %1 bars")));
    });
}

void stretchByPercentage(Reach& r) {
    askNumber(r.frame.widget(),
              {words("Stretch"), words("To how many per cent of its length as recorded?"), 100, 25, 400, 3},
              [&r](double percent) {
                  editChosen(r, words("Stretch"), project::setStretch(r.session.now(), chosenClips(r), percent),
                             words("stretched to %1 %").arg(percent));
              });
}

void playAsRecorded(Reach& r) {
    editChosen(r, words("As recorded"), project::setAsRecorded(r.session.now(), chosenClips(r)),
               words("as recorded, not stretched, not transposed"));
}

void fitToTheProjectNow(Reach& r) {
    if (r.session.edit(words("Fit now"),
                       project::fitNow(r.session.now(), r.session.document().selectedOrAllClips())))
        r.session.say(words("Fitted to the project's tempo as it is now"));
}

void takeTheProjectsTime(Reach& r) {
    std::vector<ClipId> clips = chosenClips(r);
    if (const auto one = chosenClip(r); clips.empty() && one) clips = {*one};
    if (r.session.edit(words("Take project time"), project::takeProjectTime(r.session.now(), clips)))
        r.session.say(counted(static_cast<int>(clips.size()),
                              words("1 clip has the project's time here, and follows from now on"),
                              words("%1 clips have the project's time here, and follow from now on")));
}

void followTheKey(Reach& r) {
    const project::LaidClip* c = firstChosen(r);
    if (c == nullptr) return;
    const bool on = !c->clip->followsKey;
    if (!r.session.edit(words("Follow the key"), project::setFollowsKey(r.session.now(), chosenClips(r), on)))
        return;
    const project::LaidClip* now = firstChosen(r);
    const QString name = nameOfChosen(r);
    if (!on)
        r.session.say(words("%1: in the key of the recording").arg(name));
    else if (!now->source || !now->source->key || !project::canFollowKey(now->source->kind))
        r.session.say(words("%1: struck sounds, and those without a key, follow none").arg(name));
    else if (now->time().keyShift)
        r.session.say(words("%1: follows the key, %2 semitones here").arg(name).arg(*now->time().keyShift));
    else
        r.session.say(words("%1: the project has no key here to follow").arg(name));
}

void intoRelatives(Reach& r) {
    const project::LaidClip* c = firstChosen(r);
    if (c == nullptr) return;
    const bool on = !c->clip->toRelatives;
    editChosen(r, words("Relative keys"), project::setToRelatives(r.session.now(), chosenClips(r), on),
               on ? words("may follow into the relative key") : words("follows into the same key only"));
}

std::vector<Command> ruleCommands() {
    const AtPointer rules{OnClip, Among::Fit, words("Time rule")};
    std::vector<Command> list;
    list.reserve(std::size(project::timeRules));
    for (const project::TimeRuleEntry& entry : project::timeRules)
        list.push_back({QStringLiteral("clipRule-") + entry.word, ruleWord(entry.rule), "", Needs::Clips,
                        [rule = entry.rule](Reach& r) {
                            editChosen(r, words("Time rule"),
                                       project::setRule(r.session.now(), chosenClips(r), rule),
                                       words("time rule %1").arg(ruleWord(rule)));
                        },
                        [rule = entry.rule](const Reach& r) {
                            return areAll(r, [rule](const project::LaidClip& c) { return c.rule == rule; });
                        },
                        rules});
    list.push_back({"clipRule-inherit",
                    words("As its &track says"),
                    "",
                    Needs::Clips,
                    [](Reach& r) {
                        editChosen(r, words("Time rule"), project::setRule(r.session.now(), chosenClips(r), {}),
                                   words("the track's time rule"));
                    },
                    {},
                    rules});
    return list;
}

} // namespace

CommandMenu fitCommands() {
    const AtPointer otherWays{OnClip, Among::Fit, words("Other ways to fit")};
    const AtPointer keys{OnClip, Among::Sound, words("Sound")};
    return {
        words("Fi&t"),
        {{{},
          {{"fitToBars", words("&Fit to bars…"), "F", Needs::Clips, fitClipsToBars, {}, {OnClip, Among::Fit}},
           {"stretchPercent",
            words("Stretch by &percentage…"),
            "",
            Needs::Clips,
            stretchByPercentage,
            {},
            otherWays},
           {"asRecorded", words("Back to as &recorded"), "", Needs::Clips, playAsRecorded, {}, otherWays},
           {"countForRecording",
            words("Set the recording's tempo &from the clip"),
            "",
            Needs::Clips,
            [](Reach& r) { makeRecordingsTempo(r.session); },
            {},
            otherWays},
           {"fitNow", words("Fit to the project &now"), "", Needs::Nothing, fitToTheProjectNow, {}, otherWays},
           {"takeTime",
            words("Take project time &here"),
            "",
            Needs::Clips,
            takeTheProjectsTime,
            {},
            {OnClip | OnRail, Among::Fit, words("Other ways to fit")}}}},
         {words("&Time rule"), ruleCommands()},
         {words("&Key"),
          {{"followsKey", words("Follow the &key"), "", Needs::Clips, followTheKey,
            [](const Reach& r) { return areAll(r, [](const project::LaidClip& c) { return c.clip->followsKey; }); },
            keys},
           {"toRelatives", words("Also into the &relative key"), "", Needs::Clips, intoRelatives,
            [](const Reach& r) {
                return areAll(r, [](const project::LaidClip& c) { return c.clip->toRelatives; });
            },
            keys}}}}};
}

} // namespace app
