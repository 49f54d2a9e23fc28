// Other programs and machines that play along, in the window.
#include "ui/window.h"

#include "app/commands/commands.h"
#include "app/window/head_strip.h"
#include "metre/tempo.h"

#include <QAction>
#include <QComboBox>
#include <QMenu>
#include <QPushButton>
#include <QTimer>
#include <atomic>
#include <gmock/gmock.h>

namespace {

using metre::Beats;
using metre::Bpm;
using namespace ui;

// Another program, made up.
struct OtherProgram : play::Leader {
    struct Shared {
        std::atomic<bool> rolls{false};
        std::atomic<bool> there{true};
        std::atomic<double> beat{0};
        std::atomic<double> bpm{0};
    };
    explicit OtherProgram(std::shared_ptr<Shared> s) : shared(std::move(s)) {}
    std::shared_ptr<Shared> shared;

    std::string name() const override { return "JACK"; }
    bool isThere() override { return shared->there; }
    bool isAskable() const override { return true; }
    void start() override { shared->rolls = true; }
    void stop() override { shared->rolls = false; }
    void locate(Beats to) override { shared->beat = to.value; }
    bool rolls() const override { return shared->rolls; }
    std::optional<play::LedTime> time() override {
        if (shared->bpm == 0) return {};
        return play::LedTime{Bpm(shared->bpm), metre::Metre{3, 4}};
    }
    void setProject(const metre::TempoMap&, const metre::MetreMap&) override {}
    void setStep(play::Step) override {}
    play::LedPlace look(const metre::TempoMap& heard, int n, bool) override {
        const play::LedPlace place{shared->rolls, Beats(shared->beat), {}};
        if (shared->rolls)
            shared->beat = shared->beat + n / 48000.0 / 60 * heard.tempoAt(Beats(shared->beat)).value;
        return place;
    }
    void begins(Beats) override {}
};

struct LedWindow : Window {
    std::shared_ptr<OtherProgram::Shared> other = std::make_shared<OtherProgram::Shared>();
    LedWindow() {
        import({hands()});
        session().player().setLeader(std::make_unique<OtherProgram>(other));
    }
    double tempo() { return now().tempo.points().front().bpm.value; }
};

TEST(Together, AnotherProgramsTempoAndMetreAreTakenAsOneStep) {
    LedWindow w;
    const double own = w.tempo();
    w.other->bpm = 131;
    ASSERT_TRUE(waitFor([&] { return w.tempo() == 131; }));
    EXPECT_EQ(w.now().metre.points().front().metre, (metre::Metre{3, 4}));
    w.other->bpm = 97;
    ASSERT_TRUE(waitFor([&] { return w.tempo() == 97; }));
    EXPECT_THAT(w.status().toStdString(), testing::HasSubstr("JACK leads: 97.00 BPM"));
    w.session().document().undo();
    EXPECT_EQ(w.tempo(), own) << "all that it said was one step";
}

TEST(Together, TheKeysAskTheOtherProgram) {
    LedWindow w;
    w.bars().setFocus();
    w.key(Qt::Key_Space);
    EXPECT_TRUE(w.other->rolls);
    ASSERT_TRUE(waitFor([&] { return w.session().player().isPlaying(); }));
    ASSERT_TRUE(waitFor([&] { return w.session().player().position() > Beats(1); }));
    w.other->beat = 40;
    ASSERT_TRUE(waitFor([&] { return w.session().player().position() > Beats(40); }));
    w.key(Qt::Key_Space);
    EXPECT_FALSE(w.other->rolls);
    ASSERT_TRUE(waitFor([&] { return !w.session().player().isPlaying(); }));
    w.key(Qt::Key_Home);
    EXPECT_EQ(w.other->beat, 0);
}

TEST(Together, TheHeadStripNamesWhoLeadsAndSaysWhenThatIsGone) {
    LedWindow w;
    auto* led = w.child<QPushButton>("ledBy");
    emit w.session().together().changed();
    EXPECT_THAT(led->text().toStdString(), testing::HasSubstr("JACK"));
    w.other->there = false;
    ASSERT_TRUE(waitFor([&] { return w.session().player().leader() == nullptr; }));
    EXPECT_THAT(w.status().toStdString(), testing::HasSubstr("JACK has gone"));
    EXPECT_THAT(led->text().toStdString(), testing::Not(testing::HasSubstr("JACK")));
    w.bars().setFocus();
    w.key(Qt::Key_Space);
    EXPECT_TRUE(waitFor([&] { return w.session().player().position() > Beats(0.5); })) << "it goes by itself";
}

TEST(Together, WithoutAServerItSaysSoAndNothingLeads) {
    setenv("JACK_NO_START_SERVER", "1", 1);
    setenv("JACK_DEFAULT_SERVER", "nobody is there", 1);
    Window w;
    w.window->findChild<QAction*>("ledByJack")->trigger();
    ASSERT_TRUE(waitFor([&] { return w.child<QWidget>("messageBar")->isVisible(); }));
    w.settle();
    EXPECT_EQ(w.session().together().ledBy(), QString());
    EXPECT_EQ(w.session().player().leader(), nullptr);
    w.window->findChild<QAction*>("ledByProject")->trigger();
    EXPECT_EQ(w.session().preferences().together.ledBy, app::LedBy::Project);
}

// The simulated machine at 112: chosen in the preferences, its tempo taken from the menu of who leads.
TEST(Together, AMidiClockIsChosenReadAndLeads) {
    setenv("PATIENT_METRE_MIDI", "simulated", 1);
    LedWindow w;
    w.session().player().setLeader(nullptr);
    w.key(Qt::Key_Comma, Qt::ControlModifier);
    QDialog* sheet = nullptr;
    ASSERT_TRUE(waitFor([&] { return (sheet = w.window->findChild<QDialog*>("preferencesSheet")) != nullptr; }));
    auto* in = sheet->findChild<QComboBox*>("midiIn");
    ASSERT_NE(in, nullptr);
    ASSERT_TRUE(waitFor([&] { return in->count() == 2; }));
    in->setCurrentIndex(1);
    emit in->activated(1);
    ASSERT_TRUE(waitFor([&] { return w.session().together().midiTempo().has_value(); }));
    sheet->close();
    w.activate();
    const double own = w.tempo();
    EXPECT_NE(own, 112);
    ASSERT_TRUE(waitFor([&] { return std::abs(w.session().together().midiTempo()->value - 112) < 0.2; }));
    w.window->findChild<QAction*>("midiTempo")->trigger();
    EXPECT_NEAR(w.tempo(), 112, 0.2);
    w.window->findChild<QAction*>("ledByMidi")->trigger();
    ASSERT_TRUE(waitFor([&] { return w.session().player().isPlaying(); })) << "it runs";
    EXPECT_THAT(w.child<QPushButton>("ledBy")->text().toStdString(), testing::HasSubstr("MIDI"));
    w.bars().setFocus();
    w.key(Qt::Key_Space);
    EXPECT_TRUE(w.session().player().isPlaying()) << "a clock cannot be asked";
    EXPECT_THAT(w.status().toStdString(), testing::HasSubstr("MIDI leads"));
    w.window->findChild<QAction*>("ledByProject")->trigger();
    EXPECT_FALSE(w.session().player().isPlaying());
    unsetenv("PATIENT_METRE_MIDI");
}

TEST(Together, StrokesOfAPadTapTheTempo) {
    LedWindow w;
    for (int i = 0; i < 6; ++i)
        emit w.session().together().struck(100 + i * 0.6);
    EXPECT_NEAR(w.tempo(), 100, 0.1);
    EXPECT_THAT(w.status().toStdString(), testing::HasSubstr("Tapped"));
}

TEST(Together, TheMenuOfWhoLeadsOffersOtherPrograms) {
    LedWindow w;
    QStringList offered;
    QTimer::singleShot(0, w.window.get(), [&] {
        auto* menu = w.window->findChild<QMenu*>("leadMenu");
        if (menu == nullptr) return;
        for (QAction* a : menu->actions())
            if (a->menu() != nullptr)
                for (QAction* b : a->menu()->actions())
                    offered << b->objectName();
        menu->close();
    });
    QTest::mouseClick(w.child<QPushButton>("ledBy"), Qt::LeftButton);
    EXPECT_TRUE(offered.contains("ledByJack"));
    EXPECT_TRUE(offered.contains("midiTempo"));
}

} // namespace
