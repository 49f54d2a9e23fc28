// What a screen reader is told of the canvases, and what it can do there: asked through the accessibility
// interface, as a reader asks.
#include "project/edit_time.h"
#include "project/pins.h"
#include "project/timing.h"
#include "support/audio.h"
#include "ui/window.h"

#include <QAccessible>
#include <sndfile.h>

#include "app/bench/rails_view.h"
#include "app/bench/readings_strip.h"
#include "app/strain/key_plot.h"
#include "app/strain/strain_plot.h"
#include "app/widgets/figure.h"

namespace {

using app::ClipId;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using ui::waitFor;

QString nameOf(QAccessibleInterface* i) {
    return i == nullptr ? QString() : i->text(QAccessible::Name);
}

// All below a thing, in the order of reading.
std::vector<QAccessibleInterface*> under(QAccessibleInterface* top) {
    std::vector<QAccessibleInterface*> list;
    for (int i = 0; i < top->childCount(); ++i) {
        QAccessibleInterface* child = top->child(i);
        if (child == nullptr) continue;
        EXPECT_EQ(top->indexOfChild(child), i) << nameOf(child).toStdString();
        list.push_back(child);
        const auto deeper = under(child);
        list.insert(list.end(), deeper.begin(), deeper.end());
    }
    return list;
}

QAccessibleInterface* named(QWidget& canvas, const QString& beginning) {
    for (QAccessibleInterface* i : under(QAccessible::queryAccessibleInterface(&canvas)))
        if (nameOf(i).startsWith(beginning)) return i;
    return nullptr;
}

double figure(QAccessibleInterface* i) {
    QAccessibleValueInterface* value = i == nullptr ? nullptr : i->valueInterface();
    return value == nullptr ? std::nan("") : value->currentValue().toDouble();
}

// What was told to whoever listens.
struct Told {
    QAccessible::Event type;
    QString name;
};
std::vector<Told> told;
void listenTo(QAccessibleEvent& event) {
    told.push_back({event.type(), nameOf(event.accessibleInterface())});
}

struct Spoken : ui::Window {
    support::Folder folder;
    Spoken() {
        told.clear();
        app::setReader(listenTo);
    }
    ~Spoken() { app::setReader({}); }

    ClipId loopThere(double bpm = 104, int beats = 16) {
        const auto file = folder / "pole.wav";
        support::writeSound(file, support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm),
                            SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        import({file});
        window->findChild<QAction*>("zoomAll")->trigger();
        return project::allClips(now()).back();
    }
    bool wasTold(QAccessible::Event type, const QString& beginning) {
        return waitFor([&] {
            return std::any_of(told.begin(), told.end(),
                               [&](const Told& t) { return t.type == type && t.name.startsWith(beginning); });
        });
    }
};

TEST(Spoken, AClipSaysItsNamePlaceLengthTempoAndHowItLanded) {
    Spoken s;
    const ClipId id = s.loopThere(112);
    ASSERT_TRUE(waitFor([&] { return s.session().proofs().of(id) != nullptr; }));
    s.settle();
    QAccessibleInterface* clip = named(s.bars(), "pole");
    ASSERT_NE(clip, nullptr);
    EXPECT_EQ(nameOf(clip).toStdString(), "pole, bar 1, 4 bars, 112 to 120, in time");
    EXPECT_EQ(clip->role(), QAccessible::ListItem);
    EXPECT_TRUE(nameOf(clip->parent()).startsWith("track pole, 1 clip")) << nameOf(clip->parent()).toStdString();
    // Where it is drawn.
    const QPoint middle = s.bars().viewport()->mapToGlobal(s.middleOf(id));
    EXPECT_TRUE(clip->rect().contains(middle));
    QAccessibleInterface* canvas = QAccessible::queryAccessibleInterface(&s.bars());
    QAccessibleInterface* track = canvas->childAt(middle.x(), middle.y());
    ASSERT_NE(track, nullptr);
    QAccessibleInterface* found = track->childAt(middle.x(), middle.y());
    ASSERT_NE(found, nullptr);
    EXPECT_EQ(nameOf(found), nameOf(clip));
}

TEST(Spoken, WhatWasScrolledIsWhereItIsDrawnAndThePlayPositionIsWhereItIs) {
    Spoken s;
    const ClipId id = s.loopThere();
    QAccessibleInterface* clip = named(s.bars(), "pole");
    ASSERT_NE(clip, nullptr);
    const QRect before = clip->rect();
    s.bars().zoomBy(2, 400);
    s.bars().scrollTo(2);
    EXPECT_TRUE(waitFor([&] { return clip->rect() != before; }));
    EXPECT_EQ(
        clip->rect().topLeft(),
        s.bars().viewport()->mapToGlobal(s.bars().layout().clip(*s.session().laid()->find(id)).toRect().topLeft()));
    QAccessibleInterface* position = named(s.bars(), "Play position");
    ASSERT_NE(position, nullptr);
    position->valueInterface()->setCurrentValue(8.0);
    EXPECT_NEAR(figure(position), 8, 1e-6);
    s.key(Qt::Key_Home);
    EXPECT_NEAR(figure(position), 0, 1e-6) << "moved by a command of the window";
}

TEST(Spoken, AClipIsReachedOpenedAndTrimmedByItsActions) {
    Spoken s;
    const ClipId id = s.loopThere();
    s.session().document().select({});
    QAccessibleInterface* clip = named(s.bars(), "pole");
    ASSERT_NE(clip, nullptr);
    EXPECT_FALSE(clip->state().selected);
    clip->actionInterface()->doAction(QAccessibleActionInterface::setFocusAction());
    EXPECT_EQ(s.session().selection().clips, std::vector<ClipId>{id});
    EXPECT_TRUE(s.bars().hasFocus());
    EXPECT_TRUE(clip->state().selected);
    EXPECT_TRUE(clip->state().focused);
    EXPECT_EQ(QAccessible::queryAccessibleInterface(&s.bars())->focusChild(), clip);
    EXPECT_TRUE(s.wasTold(QAccessible::Focus, "pole"));

    QAccessibleInterface* end = named(s.bars(), "end of pole");
    ASSERT_NE(end, nullptr);
    EXPECT_NEAR(figure(end), 16, 1e-6);
    end->valueInterface()->setCurrentValue(8.0);
    EXPECT_NEAR(s.session().laid()->find(id)->time().end.value, 8, 1e-6);
    EXPECT_NEAR(figure(end), 8, 1e-6) << "the same thing says the new figure";
    EXPECT_TRUE(nameOf(named(s.bars(), "pole")).contains("2 bars"));
    EXPECT_TRUE(s.wasTold(QAccessible::NameChanged, "pole"));

    QAccessibleInterface* fade = named(s.bars(), "fade out of pole");
    ASSERT_NE(fade, nullptr);
    fade->valueInterface()->setCurrentValue(0.25);
    EXPECT_NEAR(s.session().laid()->find(id)->clip->fadeOut.length.value, 0.25, 1e-9);

    named(s.bars(), "pole")->actionInterface()->doAction("Open in the Bench");
    EXPECT_FALSE(s.window->findChild<app::RailsView*>("rails")->isHidden());
}

TEST(Spoken, ATracksButtonsAndFiguresAreThere) {
    Spoken s;
    s.loopThere();
    QAccessibleInterface* mute = named(s.bars(), "mute track pole");
    ASSERT_NE(mute, nullptr);
    EXPECT_EQ(mute->role(), QAccessible::CheckBox);
    EXPECT_FALSE(mute->state().checked);
    mute->actionInterface()->doAction("Mute");
    EXPECT_TRUE(s.now().tracks[0]->mute);
    EXPECT_TRUE(mute->state().checked);
    EXPECT_TRUE(s.wasTold(QAccessible::StateChanged, "mute track pole"));
    QAccessibleInterface* gain = named(s.bars(), "gain of track pole");
    ASSERT_NE(gain, nullptr);
    gain->valueInterface()->setCurrentValue(-6);
    EXPECT_EQ(s.now().tracks[0]->gainDb, -6);
    EXPECT_EQ(gain->text(QAccessible::Value), "-6.0 dB");
    gain->valueInterface()->setCurrentValue(-1e9);
    EXPECT_EQ(s.now().tracks[0]->gainDb, project::quietestDb) << "no lower than there is";
}

TEST(Spoken, LanesSayTheirPointsSectionsAndChanges) {
    Spoken s;
    s.loopThere();
    auto next = project::putTempoPoint(s.now(), {Beats(16), Bpm(120), metre::TempoPoint::Shape::Hold});
    next = project::putSection(*next, Beats(16), "lock");
    next = project::setMetreAt(*next, 5, {3, 4});
    s.session().edit("Changes", std::move(next));
    EXPECT_NE(named(s.bars(), "section lock, bar 5"), nullptr);
    EXPECT_NE(named(s.bars(), "from bar 5 on: 3/4"), nullptr);
    QAccessibleInterface* point = named(s.bars(), "tempo from bar 5 on");
    ASSERT_NE(point, nullptr);
    EXPECT_EQ(point->text(QAccessible::Value), "120 BPM");
    point->valueInterface()->setCurrentValue(126);
    EXPECT_EQ(s.now().tempo.points()[1].bpm, Bpm(126));
    named(s.bars(), "section lock")->actionInterface()->doAction("Play from here");
    EXPECT_NEAR(s.session().player().position().value, 16, 1e-6);
    // What has gone is no longer there, and who still holds it is told so.
    QAccessibleInterface* section = named(s.bars(), "section lock");
    s.session().edit("Delete section", project::removeSection(s.now(), Beats(16)));
    EXPECT_FALSE(section->isValid());
    EXPECT_EQ(named(s.bars(), "section lock"), nullptr);
    EXPECT_TRUE(s.wasTold(QAccessible::ObjectReorder, s.bars().accessibleName()));
}

TEST(Spoken, RailsSayTheirPinsAndBeats) {
    Spoken s;
    const ClipId id = s.loopThere();
    s.openBench();
    s.session().document().select({id});
    s.settle();
    auto& rails = *s.child<app::RailsView>("rails");
    QAccessibleInterface* beat = named(rails, "beat 5");
    ASSERT_NE(beat, nullptr);
    beat->actionInterface()->doAction("Pin here");
    const auto pinsNow = [&] { return project::pinsOf(*s.session().laid()->find(id)->recording); };
    const auto byHand = [](const project::SourcePin& p) { return p.byHand; };
    auto pins = pinsNow();
    auto set = std::find_if(pins.begin(), pins.end(), byHand);
    ASSERT_NE(set, pins.end());
    QAccessibleInterface* pin = named(rails, "pin on beat 5, set by hand");
    ASSERT_NE(pin, nullptr);
    EXPECT_NEAR(figure(pin), set->at.value, 1e-9);
    const double before = set->at.value;
    pin->valueInterface()->setCurrentValue(before + 0.02);
    pins = pinsNow();
    set = std::find_if(pins.begin(), pins.end(), byHand);
    ASSERT_NE(set, pins.end());
    EXPECT_NEAR(set->at.value, before + 0.02, 1e-6);
    named(rails, "pin on beat 5")->actionInterface()->doAction("Remove");
    pins = pinsNow();
    EXPECT_EQ(std::count_if(pins.begin(), pins.end(), byHand), 0);
}

TEST(Spoken, AReadingIsPickedAndTheFigureSaysSo) {
    Spoken s;
    const ClipId id = s.loopThere();
    s.openBench();
    s.session().document().select({id});
    s.settle();
    auto& strip = *s.window->findChild<app::ReadingsStrip*>();
    const auto bpm = [&] { return s.session().laid()->find(id)->recording->beats->meanTempo().value; };
    ASSERT_NEAR(bpm(), 104, 0.1);
    QAccessibleInterface* heard = nullptr;
    for (QAccessibleInterface* i : under(QAccessible::queryAccessibleInterface(&strip)))
        if (nameOf(i).contains("104 BPM") && i->state().checked) heard = i;
    ASSERT_NE(heard, nullptr);
    EXPECT_EQ(heard->role(), QAccessible::RadioButton);
    ASSERT_TRUE(heard->actionInterface()->actionNames().contains("Use 52 BPM"));
    heard->actionInterface()->doAction("Use 52 BPM");
    EXPECT_NEAR(bpm(), 52, 0.1);
}

TEST(Spoken, PlotsSayTheirLinesAndSetTheirTempo) {
    Spoken s;
    s.loopThere(112);
    s.key(Qt::Key_3, Qt::ControlModifier);
    s.settle();
    auto& plot = *s.child<app::StrainPlot>("strainPlot");
    s.settle();
    EXPECT_NE(named(plot, "pole, 112 BPM, −6.7 %, gentle"), nullptr);
    QAccessibleInterface* tempo = named(plot, "Project tempo");
    ASSERT_NE(tempo, nullptr);
    tempo->valueInterface()->setCurrentValue(100);
    EXPECT_NEAR(s.now().tempo.points().front().bpm.value, 100, 1e-9);
}

TEST(Spoken, AFigureIsAFigureWithItsValueAndTurnsByActions) {
    Spoken s;
    const ClipId id = s.loopThere();
    s.openBench();
    s.session().document().select({id});
    s.settle();
    auto* gain = s.child<app::Figure>("clipGain");
    QAccessibleInterface* voice = QAccessible::queryAccessibleInterface(gain);
    ASSERT_NE(voice, nullptr);
    EXPECT_EQ(voice->role(), QAccessible::SpinBox);
    EXPECT_EQ(voice->text(QAccessible::Value), gain->text());
    const double before = s.session().laid()->find(id)->clip->gainDb;
    voice->actionInterface()->doAction("Less");
    EXPECT_LT(s.session().laid()->find(id)->clip->gainDb, before);
    EXPECT_EQ(voice->text(QAccessible::Value), gain->text());
}

TEST(Spoken, EveryCanvasOfTheWindowIsATreeWithNames) {
    Spoken s;
    const ClipId id = s.loopThere();
    s.openBench();
    s.session().document().select({id});
    s.settle();
    int canvases = 0;
    for (QWidget* widget : s.window->findChildren<QWidget*>()) {
        if (dynamic_cast<app::Spoken*>(widget) == nullptr) continue;
        ++canvases;
        QAccessibleInterface* voice = QAccessible::queryAccessibleInterface(widget);
        ASSERT_NE(voice, nullptr);
        EXPECT_FALSE(nameOf(voice).isEmpty()) << widget->objectName().toStdString();
        for (QAccessibleInterface* item : under(voice)) {
            if (item->object() != nullptr) continue; // a widget on it
            EXPECT_FALSE(nameOf(item).isEmpty()) << widget->objectName().toStdString();
            EXPECT_TRUE(item->isValid());
            EXPECT_NE(item->parent(), nullptr);
        }
    }
    EXPECT_GE(canvases, 8);
}

TEST(Spoken, WhatTheWindowSaysIsReadOut) {
    Spoken s;
    s.session().say("Moved to 3.1");
    EXPECT_TRUE(s.wasTold(QAccessible::Alert, "Moved to 3.1"));
}

} // namespace
