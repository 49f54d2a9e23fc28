// The menu of pins and of leading: what the Bench does with a source's beats.
#include "app/bars/bars_view.h"
#include "app/bench/bench.h"
#include "app/bench/by_ear.h"
#include "app/bench/rails_view.h"
#include "app/widgets/text.h"
#include "app/window/head_strip.h"
#include "app/window/main_window.h"
#include "metre/tempo.h"
#include "project/edit_pins.h"
#include "project/take_time.h"

#include <QMenu>
#include <algorithm>

namespace app {

namespace {

QList<QKeySequence> byKey(QKeyCombination combination) {
    return {QKeySequence(combination)};
}

} // namespace

project::SourcePtr MainWindow::selectedSource() const {
    const auto id = session_.selection().source;
    return id ? project::sourceOf(session_.now(), *id) : nullptr;
}

// The selected clip; else the first of the selected source.
std::optional<ClipId> MainWindow::clipOfSelection() const {
    if (session_.selection().clips.size() == 1) return session_.selection().clips.front();
    for (const project::LaidClip& c : session_.laid()->clips())
        if (session_.selection().source == c.clip->source) return c.id();
    return std::nullopt;
}

void MainWindow::straighten(project::Straightness::To to, double percent) {
    const project::SourcePtr s = selectedSource();
    if (!s) return;
    if (session_.edit(tr("Straighten"), project::setStraightness(session_.now(), s->id, {to, percent})))
        session_.say(to == project::Straightness::To::Beat ? tr("Every beat lands")
                     : to == project::Straightness::To::Bar
                         ? tr("Every bar lands; within it the playing stays")
                         : tr("Every four bars land; within them the playing stays"));
}

void MainWindow::lead(project::Lead::Every every) {
    const auto clip = ledBy_ ? ledBy_ : clipOfSelection();
    if (!clip) {
        session_.say(tr("Place the source first: it leads where it lies."));
        return;
    }
    const auto smooth = session_.now().lead ? session_.now().lead->smooth : metre::Seconds(0);
    session_.lead(*clip, every, smooth);
}

// Whatever can lead, and what can be done with what leads.
void MainWindow::offerLeaders(const QPoint& at) {
    QMenu menu(this);
    menu.setObjectName("leadMenu");
    const auto& lead = session_.now().lead;
    QAction* own = menu.addAction(tr("Project"));
    own->setCheckable(true);
    own->setChecked(!lead);
    connect(own, &QAction::triggered, this, [this] { session_.letGo(); });
    std::vector<SourceId> listed;
    for (const project::LaidClip& c : session_.laid()->clips()) {
        if (!c.source || !c.source->beats) continue;
        if (std::find(listed.begin(), listed.end(), c.clip->source) != listed.end() || listed.size() >= 40)
            continue;
        listed.push_back(c.clip->source);
        QAction* action = menu.addAction(qt(c.name()));
        action->setCheckable(true);
        action->setChecked(lead && lead->source == c.clip->source);
        connect(action, &QAction::triggered, this, [this, clip = c.id()] { session_.leadAsItIsPlayed(clip); });
    }
    if (lead) {
        menu.addSeparator();
        commands_->fill(menu, OnLead);
    }
    ledBy_ = lead ? std::optional(lead->clip) : std::nullopt;
    menu.exec(at);
    ledBy_.reset();
}

void MainWindow::pinCommands(CommandList& list) {
    RailsView& rails = bench_->rails();
    list.menu(tr("Pi&ns"));
    list.add("pinHere", tr("&Pin here"), byKey(Qt::Key_P), Needs::Source, OnRail, [&rails] { rails.pinHere(); });
    list.add("nextOnset", tr("&Next onset"), byKey(Qt::Key_Period), Needs::Source, OnBar,
             [&rails] { rails.stepOnset(true); });
    list.add("previousOnset", tr("Pre&vious onset"), byKey(Qt::Key_Comma), Needs::Source, OnBar,
             [&rails] { rails.stepOnset(false); });
    list.line();
    list.add("downbeatHere", tr("First &downbeat here"), byKey(Qt::Key_D), Needs::Source, OnRail, [this, &rails] {
        const project::SourcePtr s = selectedSource();
        if (s &&
            session_.settle(tr("First downbeat"), project::setFirstDownbeat(session_.now(), s->id, rails.here())))
            session_.say(
                tr("The first downbeat of %1 is at %2 s").arg(qt(s->name)).arg(rails.here().value, 0, 'f', 3));
    });
    const auto shift = [this](int beats) {
        const project::SourcePtr s = selectedSource();
        if (s && session_.settle(tr("First downbeat"), project::shiftDownbeat(session_.now(), s->id, beats)))
            session_.say(beats > 0 ? tr("The first downbeat is a beat later")
                                   : tr("The first downbeat is a beat earlier"));
    };
    list.add("beatLater", tr("First downbeat a beat &later"), byKey(Qt::ALT | Qt::Key_Period), Needs::Source, OnBar,
             [shift] { shift(1); });
    list.add("beatEarlier", tr("First downbeat a beat &earlier"), byKey(Qt::ALT | Qt::Key_Comma), Needs::Source,
             OnBar, [shift] { shift(-1); });
    list.add("introduction", tr("&Introduction before here…"), {}, Needs::Source, OnRail, [this, &rails] {
        askNumber(tr("Introduction"), tr("How many bars come before this moment?"), 4, 0, 1000, 0,
                  [this, &rails](double n) {
                      const project::SourcePtr s = selectedSource();
                      if (s && session_.settle(tr("Introduction"),
                                               project::setIntroduction(session_.now(), s->id, rails.here(),
                                                                        static_cast<int>(n))))
                          session_.say(n == 1 ? tr("One bar of introduction")
                                              : tr("%1 bars of introduction").arg(n));
                  });
    });
    const auto scale = [this](double factor) {
        const project::SourcePtr s = selectedSource();
        if (s && session_.settle(tr("Count otherwise"), project::scaleBeats(session_.now(), s->id, factor)))
            session_.say(tr("%1 is now %2 BPM")
                             .arg(qt(s->name), qt(metre::tempoLabel(Bpm(s->beats->meanTempo().value * factor)))));
    };
    list.add("dotted", tr("Its beats were dotted ones (×1½)"), {}, Needs::Source, OnBar, [scale] { scale(1.5); });
    list.add("undotted", tr("They were not (×⅔)"), {}, Needs::Source, OnBar, [scale] { scale(2.0 / 3); });
    list.line();
    list.within(tr("By ear"));
    list.add(
        "loopMarks", tr("L&oop between the marks"), byKey(Qt::CTRL | Qt::SHIFT | Qt::Key_L), Needs::Source, OnRail,
        [this] { bench_->byEar().loopMarks(!bench_->byEar().loopsMarks()); },
        [this] { return bench_->byEar().loopsMarks(); });
    list.add("playMarked", tr("Play the &marked part alone"), {}, Needs::Clips, OnRail, [this] {
        const auto clips = session_.selection().clips;
        if (session_.edit(tr("The marked part alone"), project::playMarked(session_.now(), clips)))
            session_.say(tr("Only what lies between the marks plays, round and round"));
    });
    list.add("triedHalf", tr("The tried click half as fast"), {}, Needs::Source, OnBar,
             [this] { bench_->byEar().scale(0.5); });
    list.add("triedTwice", tr("The tried click twice as fast"), {}, Needs::Source, OnBar,
             [this] { bench_->byEar().scale(2); });
    list.add("useTried", tr("&Use what was tried by ear"), byKey(Qt::CTRL | Qt::Key_U), Needs::Source, OnBar,
             [this] { bench_->byEar().use(); });
    list.within({});
    list.line();
    list.add("namePin", tr("N&ame the pin…"), {}, Needs::Pins, OnRail, [&rails] { rails.namePicked(); });
    list.add("lockPins", tr("Lock or unloc&k"), byKey(Qt::CTRL | Qt::SHIFT | Qt::Key_K), Needs::Pins, OnRail,
             [&rails] { rails.lockPicked(); });
    list.add("removePins", tr("&Remove the pins"), {}, Needs::Pins, OnRail, [&rails] { rails.removePicked(); });
    list.within(tr("Straight"));
    list.under(tr("Straight"));
    list.add("straightBetween", tr("&Straight between these"), {}, Needs::Pins, OnRail,
             [&rails] { rails.straightBetween(); });
    list.add("straightToEnd", tr("Straight from here &to the last"), {}, Needs::Pins, OnRail,
             [&rails] { rails.straightToEnd(); });
    list.add("straightFrom", tr("Straight from here, on and &back"), {}, Needs::Pins, OnRail,
             [&rails] { rails.straightFrom(); });
    list.under({});
    list.within({});
    list.add("forgetPins", tr("Back to what was heard"), {}, Needs::Source, OnRail | OnStraighten, [this] {
        const project::SourcePtr s = selectedSource();
        if (s && session_.settle(tr("Forget pins"), project::forgetPins(session_.now(), s->id)))
            session_.say(tr("%1 has the beats of its reading again").arg(qt(s->name)));
    });
    list.line();
    list.within(tr("Straighten"));
    list.add("straightenFree", tr("It was played &free: find every beat"), {}, Needs::Source, OnStraighten,
             [this] { session_.straighten(*session_.selection().source, hear::Feel::Free); });
    list.add("straightenSteady", tr("It was played to a &click: one tempo"), {}, Needs::Source, OnStraighten,
             [this] { session_.straighten(*session_.selection().source, hear::Feel::Steady); });
    using To = project::Straightness::To;
    for (const auto& [name, text, to] :
         {std::tuple("toBeats", tr("Lay every &beat on the grid"), To::Beat),
          std::tuple("toBars", tr("Lay every ba&r on the grid"), To::Bar),
          std::tuple("toPhrases", tr("Lay every p&hrase of four bars on the grid"), To::Phrase)})
        list.add(
            name, text, {}, Needs::Source, OnStraighten, [this, to = to] { straighten(to, 100); },
            [this, to = to] {
                const project::SourcePtr s = selectedSource();
                return s && s->straight.to == to && s->straight.percent == 100;
            });
    list.add(
        "asPlayed", tr("Keep the playing, at one tempo"), {}, Needs::Source, OnStraighten,
        [this] { straighten(To::Beat, 0); },
        [this] {
            const project::SourcePtr s = selectedSource();
            return s && s->straight.percent == 0;
        });
    list.within(tr("Lead"));
    leadCommands(list);
    list.within(tr("In the Bench"));
    for (const auto& [name, text, grid] :
         {std::tuple("linesQuarters", tr("Lines on quarters"), EyeGrid::Quarters),
          std::tuple("linesEighths", tr("Lines on eighths"), EyeGrid::Eighths),
          std::tuple("linesTriplets", tr("Lines on triplets"), EyeGrid::Triplets),
          std::tuple("linesSixteenths", tr("Lines on sixteenths"), EyeGrid::Sixteenths)})
        list.add(
            name, text, {}, Needs::Source, OnBar, [&rails, grid = grid] { rails.setGrid(grid); },
            [&rails, grid = grid] { return rails.grid() == grid; });
    list.add("railsAll", tr("All of it in the Bench"), {}, Needs::Source, OnBar, [&rails] { rails.zoomToAll(); });
    list.add("railsPicked", tr("What is picked or marked, in the Bench"), {}, Needs::Source, OnBar,
             [&rails] { rails.zoomToPicked(); });
    list.add("railsBeat", tr("One beat in the Bench"), {}, Needs::Source, OnBar, [&rails] { rails.zoomToBeat(); });
}

void MainWindow::leadCommands(CommandList& list) {
    using Every = project::Lead::Every;
    for (const auto& [name, text, every] : {std::tuple("leadPiece", tr("Lead with &one tempo"), Every::Piece),
                                            std::tuple("leadBars", tr("Lead bar by bar"), Every::Bar),
                                            std::tuple("leadBeats", tr("Lead beat by beat"), Every::Beat)})
        list.add(
            name, text, {}, Needs::Nothing, OnLead, [this, every = every] { lead(every); },
            [this, every = every] { return session_.now().lead && session_.now().lead->every == every; });
    list.add("leadSmooth", tr("Smooth the lead…"), {}, Needs::Nothing, OnLead, [this] {
        const auto lead_ = session_.now().lead;
        if (!lead_) {
            session_.say(tr("Nothing leads yet."));
            return;
        }
        askNumber(tr("Smooth the lead"), tr("By how many milliseconds may a beat miss?"),
                  lead_->smooth.value * 1000, 0, project::smoothest.value * 1000, 1, [this, lead_](double ms) {
                      session_.lead(lead_->clip, lead_->every, metre::Seconds(ms / 1000));
                  });
    });
    list.add("letGo", tr("Let the lead &go"), {}, Needs::Nothing, OnLead, [this] { session_.letGo(); });
    list.add("holdTempo", tr("Hold at its mean tempo"), {}, Needs::Nothing, OnLead, [this] {
        if (session_.edit(tr("Hold"), project::holdTempo(session_.now())))
            session_.say(tr("The tempo is the project's own, and one: %1")
                             .arg(qt(metre::tempoFigure(session_.now().tempo.points().front().bpm))));
    });
    list.add("scaleLead", tr("Let it go, a little faster or slower…"), {}, Needs::Nothing, OnLead, [this] {
        askNumber(tr("The same feel, at another tempo"), tr("Per cent of its tempo:"), 96, 25, 400, 1,
                  [this](double percent) {
                      auto next = project::letGo(session_.now());
                      if (next) next = project::scaleTempo(*next, {Beats(0), project::furthest}, percent / 100);
                      if (session_.edit(tr("Scale the tempo"), std::move(next)))
                          session_.say(
                              tr("The same feel at %1 %; the recording follows like the others").arg(percent));
                  });
    });
    list.within({});
    list.add("takeTime", tr("Take project time &here"), {}, Needs::Clips, OnClip | OnRail, [this] { takeTime(); });
}

void MainWindow::takeTime() {
    std::vector<ClipId> clips = session_.selection().clips;
    if (const auto one = clipOfSelection(); clips.empty() && one) clips = {*one};
    const auto n = static_cast<int>(clips.size());
    if (session_.edit(tr("Take project time"), project::takeProjectTime(session_.now(), clips)))
        session_.say(n == 1 ? tr("It has the project's time where it lies, and follows from now on")
                            : tr("%n clips have the project's time where they lie", nullptr, n));
}

} // namespace app
