#include "hear/name.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using hear::parseKey;
using hear::readName;
using hear::tellsOfName;

struct Case {
    const char* name;
    double bpm;      // 0: none
    const char* key; // "": none
};

// Made-up names, in the habits of the trade (common practice).
const Case cases[] = {
    {"127bpm", 127, ""},
    {"127_Am", 127, "A minor"},
    {"loop-96-Dmin", 96, "D minor"},
    {"Take 3 (120 BPM)", 120, ""},
    {"120bpm_44100_24bit", 120, ""},
    {"vol2_kit 808", 0, ""},
    {"2019-06-12 jam", 0, ""},
    {"track 07", 0, ""},
    {"24bit 48k", 0, ""},
    {"127", 127, ""},
    {"winch_hands_112bpm", 112, ""},
    {"winch_hands_112_bpm", 112, ""},
    {"winch hands 112 BPM", 112, ""},
    {"BPM112 winch", 112, ""},
    {"bpm_112_winch", 112, ""},
    {"tempo96 pads", 96, ""},
    {"tempo 96", 96, ""},
    {"keel_bass_96", 96, ""},
    {"rope_shaker_124", 124, ""},
    {"124 rope shaker", 124, ""},
    {"93.89 bpm towpath", 93.89, ""},
    {"towpath 127,5bpm", 127.5, ""},
    {"towpath_93.5_loop", 93.5, ""},
    {"lock gate 174bpm Fmin", 174, "F minor"},
    {"lock_gate_F#m_174", 174, "F# minor"},
    {"lock gate 90 Ebmaj", 90, "Eb major"},
    {"90_C#_minor_reeds", 90, "C# minor"},
    {"eddies D minor 85", 85, "D minor"},
    {"eddies 140 G major", 140, "G major"},
    {"140_A_eddies", 140, "A major"},
    {"eddies_A", 0, ""},
    {"A walk by the lock", 0, ""},
    {"I am the boat", 0, ""},
    {"Take C", 0, ""},
    {"Bbm stabs 128", 128, "Bb minor"},
    {"128Am chords", 128, "A minor"},
    {"barge_bell", 0, ""},
    {"barge bell 3", 0, ""},
    {"take 120", 0, ""},
    {"track 128", 0, ""},
    {"vol. 90", 0, ""},
    {"kit 77 hats", 0, ""},
    {"no 99", 0, ""},
    {"#101 hats", 0, ""},
    {"hats 16bit 96khz", 0, ""},
    {"hats 96k", 0, ""},
    {"hum 100hz", 0, ""},
    {"delay 120ms", 0, ""},
    {"rip 128kbps", 0, ""},
    {"64 bars of rain", 0, ""},
    {"100 hits", 0, ""},
    {"80s strings", 0, ""},
    {"1/16 hats", 0, ""},
    {"loop 100%", 0, ""},
    {"1999 lock", 0, ""},
    {"20190612_jam", 0, ""},
    {"12.30.45 harbour", 0, ""},
    {"08-11-99 harbour", 0, ""},
    {"wharf 303", 0, ""},
    {"sm58 voice", 0, ""},
    {"mk2 reeds", 0, ""},
    {"096 reeds", 0, ""},
    {"drums 100 120", 0, ""},
    {"drums 120 take 100", 120, ""},
    {"drums_120_vol2", 120, ""},
    {"drums 90-120 bpm", 0, ""},
    {"01-125bpm", 125, ""},
    {"loop120", 120, ""},
    {"beat90_dusty", 90, ""},
    {"reeds_44100", 0, ""},
    {"reeds_48000_120", 120, ""},
    {"5 loops 100 bpm 110 bpm", 0, ""},
    {"19bpm drone", 0, ""},
    {"999bpm", 0, ""},
    {"60bpm_C_maj_mallets", 60, "C major"},
    {"канал 112bpm", 112, ""},
    {"運河_98_Gm", 98, "G minor"},
    {"", 0, ""},
    {"---", 0, ""},
};

TEST(Name, TellsTempoAndKeyAndKnowsWhenItDoesNot) {
    ASSERT_GE(std::size(cases), 60U);
    for (const Case& c : cases) {
        const hear::NameTells tells = tellsOfName(c.name);
        EXPECT_EQ(tells.bpm ? tells.bpm->value : 0, c.bpm) << c.name;
        EXPECT_EQ(tells.key ? hear::keyName(*tells.key) : "", c.key) << c.name;
    }
}

TEST(Name, SaysWhatItRestsOn) {
    const auto r = readName("/music/winch_hands_112bpm.wav");
    EXPECT_EQ(r.evidence, "“112bpm” in the name");
    EXPECT_GT(r.sureness, 0.9);
    EXPECT_LT(readName("/music/keel_bass_96.aiff").sureness, r.sureness);
    EXPECT_EQ(readName("/music/barge_bell.wav").evidence, "nothing in the name");
}

TEST(Name, TheFolderSpeaksWhereTheNameDoesNot) {
    const auto r = readName("/packs/towpath 98bpm Dm/reeds.wav");
    ASSERT_TRUE(r.bpm);
    EXPECT_EQ(r.bpm->value, 98);
    EXPECT_NE(r.evidence.find("folder"), std::string::npos);
    EXPECT_EQ(hear::keyName(*r.key), "D minor");
    EXPECT_EQ(readName("/packs/98bpm/reeds_120bpm.wav").bpm->value, 120);
}

TEST(Name, InvalidBytesAreNoTrouble) {
    EXPECT_EQ(tellsOfName("a\xff\xfe_112bpm").bpm->value, 112);
    EXPECT_FALSE(tellsOfName("\xff\xff\xff").bpm);
}

TEST(Key, IsReadAsPeopleWriteIt) {
    for (const auto& [text, name] :
         {std::pair("Am", "A minor"), std::pair("Dmin", "D minor"), std::pair("F#m", "F# minor"),
          std::pair("Ebmaj", "Eb major"), std::pair("C", "C major"), std::pair("G major", "G major"),
          std::pair("bbmin", "Bb minor"), std::pair("B♭ minor", "Bb minor"), std::pair("CM", "C major")})
        EXPECT_EQ(hear::keyName(*parseKey(text)), name) << text;
    for (const char* none : {"", "H", "am", "a", "Ambient", "Gmx", "minor", "Cat"})
        EXPECT_FALSE(parseKey(none)) << none;
}

TEST(Key, EveryKeyComesBackFromItsNames) {
    for (int root = 0; root < 12; ++root)
        for (const bool minor : {false, true}) {
            const hear::Key key{root, minor};
            EXPECT_EQ(parseKey(hear::keyName(key)), key);
            EXPECT_EQ(parseKey(hear::keyLabel(key)), key);
            EXPECT_EQ(parseKey(hear::keyTag(key)), key);
        }
}

TEST(Reading, TheSurestWithATempoIsTrusted) {
    using hear::Witness;
    const auto says = [](Witness by, std::optional<metre::Bpm> bpm, double sureness) {
        hear::Reading r;
        r.by = by;
        r.bpm = bpm;
        r.sureness = sureness;
        return r;
    };
    const std::vector<hear::Reading> readings = {says(Witness::Name, metre::Bpm(120), 0.7),
                                                 says(Witness::Tag, metre::Bpm(98), 0.9),
                                                 says(Witness::Heard, {}, 1.0)};
    EXPECT_EQ(hear::mostTrusted(readings)->by, Witness::Tag);
    EXPECT_EQ(hear::mostTrusted({}), nullptr);
}

} // namespace
