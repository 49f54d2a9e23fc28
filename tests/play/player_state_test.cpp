// The states of docs/player.md: which step leads where.
#include "play/player_state.h"

#include <gtest/gtest.h>

using play::PlayerState;
using Hears = PlayerState::Hears;
using Phase = PlayerState::Phase;

namespace {

PlayerState playing(Hears what) {
    PlayerState s;
    s.begin(what);
    s.clipsAreThere();
    s.soundIsThere();
    return s;
}

TEST(PlayerState, PlayingBeginsOnceItsClipsAndThenTheirSoundAreThere) {
    PlayerState s;
    EXPECT_FALSE(s.wantsToPlay());
    s.begin(Hears::Project);
    EXPECT_EQ(s.phase(), Phase::Beginning);
    EXPECT_TRUE(s.playsProject()) << "the button shows what was asked for";
    s.soundIsThere();
    EXPECT_EQ(s.phase(), Phase::Beginning) << "sound of clips that are not there was not waited for";
    s.clipsAreThere();
    EXPECT_EQ(s.phase(), Phase::Fetching);
    EXPECT_FALSE(s.waitsForClips());
    s.soundIsThere();
    EXPECT_EQ(s.phase(), Phase::Playing);
    EXPECT_FALSE(s.isBeginning());
}

TEST(PlayerState, ANewTempoWaitsForItsClipsWhileTheOldOnePlaysOn) {
    PlayerState s = playing(Hears::Project);
    s.tempoChanged();
    EXPECT_EQ(s.phase(), Phase::NewTempo);
    EXPECT_TRUE(s.wantsToPlay());
    EXPECT_FALSE(s.isBeginning());
    s.clipsAreThere();
    EXPECT_EQ(s.phase(), Phase::Playing);
}

TEST(PlayerState, ANewTempoBeforePlayingHasBegunLetsItBeginAnew) {
    PlayerState s;
    s.begin(Hears::Project);
    s.clipsAreThere();
    s.tempoChanged();
    EXPECT_EQ(s.phase(), Phase::Beginning);
}

TEST(PlayerState, ATempoConcernsNeitherWhatStandsStillNorARecordingByItself) {
    PlayerState s;
    s.tempoChanged();
    EXPECT_EQ(s.phase(), Phase::Stopped);
    s.begin(Hears::Recording);
    EXPECT_EQ(s.phase(), Phase::Playing) << "nothing of it is made first";
    s.tempoChanged();
    EXPECT_EQ(s.phase(), Phase::Playing);
    EXPECT_FALSE(s.wantsToPlay()) << "the project does not";
}

TEST(PlayerState, StoppingLeadsBackToTheProjectFromEverywhere) {
    for (const Hears what : {Hears::Project, Hears::Alone, Hears::Recording}) {
        PlayerState s = playing(what);
        EXPECT_EQ(s.hears(), what);
        s.stop();
        EXPECT_EQ(s.hears(), Hears::Project);
        EXPECT_EQ(s.phase(), Phase::Stopped);
    }
}

TEST(PlayerState, WhatIsAuditionedAloneWantsToPlayAndIsNotTheProject) {
    const PlayerState s = playing(Hears::Alone);
    EXPECT_TRUE(s.wantsToPlay());
    EXPECT_FALSE(s.playsProject());
}

} // namespace
