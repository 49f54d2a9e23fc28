// What the rooms below say, in the user's language: sentences that they really make, in a language that there is
// not.
#include "app/widgets/text.h"
#include "metre/tempo.h"
#include "project/changed.h"
#include "project/edit_clips.h"
#include "sound/read.h"
#include "ui/window.h"

#include <QRegularExpression>
#include <QTranslator>
#include <filesystem>
#include <gtest/gtest.h>
#include <string>

namespace {

using app::translated;

// Every sentence of the rooms in brackets; those with two places say them the other way round.
class Bracketed : public QTranslator {
  public:
    QString translate(const char* context, const char* source, const char*, int) const override {
        if (QString(context) != "core") return {};
        QString text = QString::fromUtf8(source);
        if (text == "%1 ends early: %2 of %3 could be read.") text = "of %3 only %2: %1";
        return "[" + text + "]";
    }
    bool isEmpty() const override { return false; }
};

struct Sentences : testing::Test {
    Bracketed language;
    void SetUp() override { QCoreApplication::installTranslator(&language); }
    void TearDown() override { QCoreApplication::removeTranslator(&language); }
    static std::string said(const std::string& text) { return translated(text).toStdString(); }
};

TEST_F(Sentences, FiguresStayWhereTheSentenceHasThem) {
    const auto tempo = metre::parseTempo("500");
    ASSERT_FALSE(tempo);
    EXPECT_EQ(said(tempo.error().text), "[A tempo lies between 20 and 400 BPM; 500 does not.]");
    EXPECT_EQ(said("wash.wav ends early: 2.0 s of 4.0 s could be read."), "[of 4.0 s only 2.0 s: wash.wav]");
}

TEST_F(Sentences, AReasonWithinASentenceIsSaidToo) {
    const auto read = sound::read("/boat/no beat.wav", 48000);
    ASSERT_FALSE(read);
    EXPECT_EQ(said(read.error().text), "[/boat/no beat.wav could not be read: [there is no such file].]");
    EXPECT_EQ(said("a: b.wav could not be read: there is no such file."),
              "[a: b.wav could not be read: [there is no such file].]")
        << "a name may have a colon";
}

TEST_F(Sentences, NamesStayWhatTheyAre) {
    EXPECT_EQ(said("one hit has no beats."), "[one hit has no beats.]");
    EXPECT_EQ(said("one hit: being listened to"), "[one hit: being listened to]");
    EXPECT_EQ(said("one hit: nobody knows"), "one hit: nobody knows");
    EXPECT_EQ(said("%1 has no beats."), "[%1 has no beats.]") << "a name that looks like a place";
    EXPECT_EQ(said("canal_boat"), "canal_boat");
    EXPECT_EQ(said(""), "");
}

TEST_F(Sentences, WhatStandsAtTheBeginningOfALimitIsSaid) {
    const auto within = project::within(400, -60, 24, "A gain", "dB");
    ASSERT_FALSE(within);
    EXPECT_TRUE(QRegularExpression(R"(^\[\[A gain\] lies between .* does not\.\]$)")
                    .match(translated(within.error().text))
                    .hasMatch())
        << said(within.error().text);
}

TEST_F(Sentences, EveryPartOfWhatWasJoinedIsSaid) {
    EXPECT_EQ(said("name only; name says 112, heard 124"), "[[name] only]; [[name] says 112, [heard] 124]");
    EXPECT_EQ(said("8 beats · 2 bars of 3/4 · exact"), "[8 beats] · [2 bars of 3/4 · [exact]]");
    EXPECT_EQ(said("confidence 0.61 · counted in threes · played free · also 56, 224"),
              "[confidence 0.61 · [counted in threes] · [played free] · [also 56, 224]]");
    EXPECT_EQ(said("winch_hands: 112 by its name, 8 beats, fitted to 104"),
              "winch_hands: [112 by its name], [8 beats], [fitted to 104]");
    EXPECT_EQ(
        said("winch_hands: 112 as heard, but that is not sure: placed as recorded (name says 112, heard 124)"),
        "winch_hands: [112 as heard], [but that is not sure: placed as recorded] ([[name] says 112, [heard] 124])");
    EXPECT_EQ(said("The library was begun anew. It is kept as library.old."),
              "[The library was begun anew.] [It is kept as library.old.]");
}

// In its own words a text stays what it is; and after another language comes, nothing of the one before is left.
TEST_F(Sentences, AreSaidInTheLanguageThatIsThere) {
    const std::string text = "No clip is selected.";
    EXPECT_EQ(said(text), "[No clip is selected.]");
    QCoreApplication::removeTranslator(&language);
    EXPECT_EQ(said(text), text);
    QTranslator german;
    const auto file = std::filesystem::path(PM_APP).parent_path() / "translations" / "patient-metre_de.qm";
    ASSERT_TRUE(german.load(QString::fromStdString(file.string()))) << file;
    QCoreApplication::installTranslator(&german);
    EXPECT_EQ(said(text), "Kein Clip ist ausgewählt.");
    EXPECT_EQ(said("3 of the 7 clips are locked; unlock them to change them."),
              "3 von 7 Clips sind gesperrt; sie entsperren, um sie zu ändern.");
    QCoreApplication::removeTranslator(&german);
}

// What the window says of files that it could not read, of an import and of a refusal.
TEST_F(Sentences, AreWhatTheWindowSays) {
    ui::Window w;
    w.import({ui::hands()});
    EXPECT_TRUE(w.status().contains("by its name]")) << w.status().toStdString();
    w.session().edit("Gain", project::setGain(w.now(), {project::allClips(w.now()).front()}, 400));
    EXPECT_TRUE(w.status().startsWith("[")) << w.status().toStdString();
}

} // namespace
