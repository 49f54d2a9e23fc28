// The commands of clips, and of what they do in time.
#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/bench/by_ear.h"
#include "app/shelf/shelf.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "app/window/command_words.h"
#include "app/window/head_strip.h"
#include "app/window/main_window.h"
#include "metre/snap.h"
#include "project/sets.h"

#include <QMenu>
#include <algorithm>
#include <cmath>
#include <numeric>
#include <random>

namespace app {

void MainWindow::clipCommands(CommandList& list) {
    const auto clips = [this] { return session_.selection().clips; };
    const auto all = [this](const auto& is) {
        const auto& chosen = session_.selection().clips;
        return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [this, &is](ClipId id) {
            const project::LaidClip* c = session_.laid()->find(id);
            return c != nullptr && is(*c);
        });
    };
    const auto allLocked = [all] { return all([](const auto& c) { return c.clip->locked; }); };
    const auto allMute = [all] { return all([](const auto& c) { return c.clip->mute; }); };
    list.menu(tr("&Clip"));
    list.add("split", tr("&Split at the play position"), keys(Qt::Key_Slash), Needs::Nothing, OnClip,
             [this, clips] {
                 std::vector<ClipId> which = clips();
                 if (which.empty()) // whatever goes on there
                     for (const project::LaidClip& c : session_.laid()->clips()) {
                         const Beats at = session_.player().position();
                         if (c.time().start < at && at < c.time().end && !c.clip->locked) which.push_back(c.id());
                     }
                 arrange(tr("Split"), project::split(session_.now(), which, session_.player().position()));
             });
    list.under(tr("Slice"));
    list.add("sliceEqually", tr("Slice into &parts…"), {}, Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Slice into parts"), tr("Into how many equal parts?"), 4, 2, 10000, 0,
                  [this, clips](double n) {
                      arrange(tr("Slice"), project::sliceEqually(session_.now(), clips(), static_cast<int>(n)));
                  });
    });
    list.add("sliceAtOnsets", tr("Slice at &onsets…"), {}, Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Slice at onsets"), tr("Sensitivity in per cent: 0 cuts at the strongest only, 100 at all"),
                  50, 0, 100, 0, [this, clips](double percent) {
                      arrange(tr("Slice"), project::sliceAtOnsets(session_.now(), clips(), percent / 100));
                  });
    });
    const auto reorder = [this, clips](const QString& name, bool shuffled) {
        std::vector<std::size_t> order(clips().size());
        std::iota(order.begin(), order.end(), std::size_t(0));
        if (shuffled)
            std::shuffle(order.begin(), order.end(), std::mt19937(std::random_device()()));
        else
            std::reverse(order.begin(), order.end());
        session_.edit(name, project::reorder(session_.now(), clips(), order));
    };
    list.add("reverseOrder", tr("Turn their order round"), {}, Needs::Clips, OnBar,
             [reorder] { reorder(tr("Turn round"), false); });
    list.add("shuffle", tr("Mix up their order"), {}, Needs::Clips, OnBar,
             [reorder] { reorder(tr("Mix up"), true); });
    list.under({});
    list.add("extract", tr("E&xtract as a source"), {}, Needs::OneClip, OnClip, [this] { session_.extractPart(); });
    list.line();
    list.add("repeats", tr("&Repeat…"), keys(Qt::Key_R), Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Repeat"), tr("How often does it go round?"), 2, 0.05, 10000, 2, [this, clips](double n) {
            session_.edit(tr("Repeat"), project::setRepeats(session_.now(), clips(), n));
        });
    });
    list.add(
        "goesRound", tr("Goes ro&und"), {}, Needs::Clips, OnBar,
        [this, clips, all] {
            const bool on = !all([](const auto& c) { return c.clip->stretch.loop; });
            session_.edit(tr("Go round"), project::setGoesRound(session_.now(), clips(), on));
        },
        [all] { return all([](const auto& c) { return c.clip->stretch.loop; }); });
    list.add("trimSilence", tr("Trim silence before it"), {}, Needs::Clips, OnClip | OnRail, [this, clips] {
        if (session_.edit(tr("Trim silence"), project::trimSilence(session_.now(), clips())))
            session_.say(tr("Begins where it begins to sound"));
    });
    const auto trimTo = [this, clips](project::Side side) {
        const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
        if (c == nullptr) return;
        const Beats edge = side == project::Side::Left ? c->time().start : c->time().end;
        session_.edit(tr("Trim"),
                      project::trim(session_.now(), clips(), side, session_.player().position() - edge));
    };
    list.add("trimStart", tr("Begin at the play position"), keys(Qt::Key_BracketLeft), Needs::Clips, OnBar,
             [trimTo] { trimTo(project::Side::Left); });
    list.add("trimEnd", tr("End at the play position"), keys(Qt::Key_BracketRight), Needs::Clips, OnBar,
             [trimTo] { trimTo(project::Side::Right); });
    list.line();
    const auto fade = [this, clips](bool in) {
        askNumber(in ? tr("Fade in") : tr("Fade out"), tr("Over how many seconds?"), 0.5, 0, 60, 3,
                  [this, clips, in](double s) {
                      const project::Fade to{metre::Seconds(s), project::Fade::Shape::EqualPower};
                      session_.edit(in ? tr("Fade in") : tr("Fade out"),
                                    in ? project::setFadeIn(session_.now(), clips(), to)
                                       : project::setFadeOut(session_.now(), clips(), to));
                  });
    };
    list.under(tr("Fade and level"));
    list.add("fadeIn", tr("Fade &in…"), {}, Needs::Clips, OnClip, [fade] { fade(true); });
    list.add("fadeOut", tr("Fade ou&t…"), {}, Needs::Clips, OnClip, [fade] { fade(false); });
    list.add("crossTouching", tr("Cross over where they touch…"), {}, Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Cross over"), tr("Over how many seconds?"), 0.05, 0.001, 60, 3, [this, clips](double s) {
            if (session_.edit(tr("Cross over"), project::crossTouching(session_.now(), clips(), metre::Seconds(s))))
                session_.say(tr("They cross over by equal power"));
        });
    });
    list.add("normalisePeak", tr("Normalise the peak to −1 dBTP"), {}, Needs::Clips, OnClip,
             [this] { session_.normalise(project::Normalise::Peak); });
    list.add("normaliseLoudness", tr("Normalise the loudness to −16 LUFS"), {}, Needs::Clips, OnClip,
             [this] { session_.normalise(project::Normalise::Loudness); });
    list.add("normaliseNo", tr("Take normalising back"), {}, Needs::Clips, OnClip,
             [this] { session_.normalise(project::Normalise::No); });
    list.under({});
    list.line();
    list.add(
        "lock", tr("Loc&k"), keys(Qt::CTRL | Qt::Key_K), Needs::Clips, OnClip,
        [this, clips, allLocked] {
            const bool lock = !allLocked();
            if (session_.edit(lock ? tr("Lock") : tr("Unlock"), project::setLocked(session_.now(), clips(), lock)))
                session_.say(lock ? tr("Locked: edits leave it as it is") : tr("Unlocked"));
        },
        allLocked);
    list.add(
        "muteClip", tr("&Mute"), keys(Qt::Key_M), Needs::Clips, OnClip,
        [this, clips, allMute] {
            session_.edit(tr("Mute"), project::setClipMute(session_.now(), clips(), !allMute()));
        },
        allMute);
    list.add("nameClip", tr("&Name…"), {}, Needs::Clips, OnClip, [this, clips] {
        const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
        askText(clips().size() == 1 ? tr("Name") : tr("Name and number them"),
                tr("Name; empty gives them their sources' names again"), c != nullptr ? qt(c->name()) : QString(),
                [this, clips](const QString& name) {
                    session_.edit(tr("Name"),
                                  project::setName(session_.now(), clips(), name.trimmed().toStdString()));
                });
    });
    list.add("tintClip", tr("Another &tint"), {}, Needs::Clips, OnClip, [this, clips] {
        const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
        if (c == nullptr) return;
        const int tint = (c->clip->tint.value_or(c->track->tint) + 1) % 8;
        // Its track's own is none of its own.
        session_.edit(tr("Tint"),
                      project::setTint(session_.now(), clips(),
                                       tint == c->track->tint ? std::nullopt : std::optional<int>(tint)));
    });
    list.line();
    list.add("bringHere", tr("Bring to the play position"), keys(Qt::Key_G), Needs::Clips, OnClip, [this, clips] {
        const Beats at =
            metre::snapped(session_.player().position(), session_.now().view.snap, session_.now().metre);
        if (session_.edit(tr("Bring here"), project::bringTo(session_.now(), clips(), at)))
            session_.say(tr("Moved to %1").arg(qt(metre::positionLabel(session_.now().metre.positionAt(at)))));
    });
    list.add("moveEarlier", tr("Move &earlier"), keys(Qt::ALT | Qt::Key_Left), Needs::Clips, OnBar,
             [this] { bars_->nudge(-1, 0); });
    list.add("moveLater", tr("Move &later"), keys(Qt::ALT | Qt::Key_Right), Needs::Clips, OnBar,
             [this] { bars_->nudge(1, 0); });
    list.add("moveUp", tr("Move to the track a&bove"), keys(Qt::ALT | Qt::Key_Up), Needs::Clips, OnBar,
             [this] { bars_->nudge(0, -1); });
    list.add("moveDown", tr("Move to the track belo&w"), keys(Qt::ALT | Qt::Key_Down), Needs::Clips, OnBar,
             [this] { bars_->nudge(0, 1); });
}

// How clips lie in time: a menu of their own.
void MainWindow::clipTimeCommands(CommandList& list) {
    const auto clips = [this] { return session_.selection().clips; };
    list.menu(tr("Fi&t"));
    list.add("fitToBars", tr("&Fit to bars…"), keys(Qt::Key_F), Needs::Clips, OnClip, [this, clips] {
        askNumber(tr("Fit to bars"), tr("How many bars shall the selected clips fill?"), 4, 1, 1024, 0,
                  [this, clips](double bars) {
                      if (session_.settle(tr("Fit to bars"),
                                          project::fitToBars(session_.now(), clips(), static_cast<int>(bars))))
                          session_.say(tr("Fitted to %1 bars").arg(bars));
                  });
    });
    list.under(tr("Fit otherwise"));
    list.add("stretchPercent", tr("Stretch by &percentage…"), {}, Needs::OneClip, OnClip, [this, clips] {
        askNumber(tr("Stretch"), tr("To how many per cent of its length as recorded?"), 100, 25, 400, 3,
                  [this, clips](double percent) {
                      if (!clips().empty())
                          session_.settle(tr("Stretch"),
                                          project::setStretch(session_.now(), clips().front(), percent));
                  });
    });
    list.add("asRecorded", tr("Back to as &recorded"), {}, Needs::Clips, OnClip, [this, clips] {
        if (session_.edit(tr("As recorded"), project::setAsRecorded(session_.now(), clips())))
            session_.say(tr("As recorded: neither stretched nor transposed"));
    });
    list.add("fitNow", tr("Fit to the project &now"), {}, Needs::Nothing, OnClip, [this] {
        if (session_.edit(tr("Fit now"), project::fitNow(session_.now(), session_.document().selectedOrAllClips())))
            session_.say(tr("Fitted to the project's tempo as it is now"));
    });
    list.line();
    list.under(tr("Time rule"));
    for (const project::TimeRuleEntry& entry : project::timeRules) {
        list.add(
            kept(std::string("clipRule-") + entry.word), tr("%1 (time rule)").arg(ruleWord(entry.rule)), {},
            Needs::Clips, OnClip,
            [this, clips, rule = entry.rule] {
                session_.edit(tr("Time rule"), project::setRule(session_.now(), clips(), rule));
            },
            [this, rule = entry.rule] {
                const auto& chosen = session_.selection().clips;
                return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [&](ClipId id) {
                    const project::LaidClip* c = session_.laid()->find(id);
                    return c != nullptr && c->rule == rule;
                });
            });
    }
    list.add("clipRule-inherit", tr("As its track says (time rule)"), {}, Needs::Clips, OnClip,
             [this, clips] { session_.edit(tr("Time rule"), project::setRule(session_.now(), clips(), {})); });
    list.line();
    list.under(tr("Key"));
    list.add(
        "followsKey", tr("Follow the &key"), {}, Needs::Clips, OnClip,
        [this, clips] {
            const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
            if (c == nullptr) return;
            const bool on = !c->clip->followsKey;
            if (!session_.edit(tr("Follow the key"), project::setFollowsKey(session_.now(), clips(), on))) return;
            const project::LaidClip* now = session_.laid()->find(clips().front());
            if (!on)
                session_.say(tr("In the key it was recorded in"));
            else if (!now->source || !now->source->key || !project::canFollowKey(now->source->kind))
                session_.say(tr("Struck sounds, and those without a key, do not follow one."));
            else
                session_.say(now->time().keyShift
                                 ? tr("Follows the key: %1 semitones here").arg(*now->time().keyShift)
                                 : tr("The project has no key here that it could follow."));
        },
        [this] {
            const auto& chosen = session_.selection().clips;
            return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [this](ClipId id) {
                const project::LaidClip* c = session_.laid()->find(id);
                return c != nullptr && c->clip->followsKey;
            });
        });
    list.add(
        "toRelatives", tr("Also into the relative key"), {}, Needs::Clips, OnClip,
        [this, clips] {
            const project::LaidClip* c = clips().empty() ? nullptr : session_.laid()->find(clips().front());
            if (c != nullptr)
                session_.edit(tr("Relative keys"),
                              project::setToRelatives(session_.now(), clips(), !c->clip->toRelatives));
        },
        [this] {
            const auto& chosen = session_.selection().clips;
            return !chosen.empty() && std::all_of(chosen.begin(), chosen.end(), [this](ClipId id) {
                const project::LaidClip* c = session_.laid()->find(id);
                return c != nullptr && c->clip->toRelatives;
            });
        });
}

} // namespace app
