// Writing tempo and key into files that are somebody's: whole or not at all, and the audio bit for bit.
#include "sound/read.h"
#include "sound/tag_file.h"
#include "support/audio.h"
#include "support/files.h"

#include <cstring>
#include <gtest/gtest.h>
#include <limits>
#include <sndfile.h>
#include <taglib/fileref.h>
#include <taglib/tpropertymap.h>

namespace {

namespace fs = std::filesystem;
using metre::Bpm;
using metre::Frames;
using support::Folder;

// The bytes of a RIFF chunk's contents; empty where there is none.
std::string chunk(const fs::path& file, const char* name) {
    const std::string bytes = support::readBytes(file);
    for (std::size_t at = 12; at + 8 <= bytes.size();) {
        std::uint32_t length = 0;
        std::memcpy(&length, bytes.data() + at + 4, 4);
        if (bytes.compare(at, 4, name) == 0) return bytes.substr(at + 8, length);
        at += 8 + length + length % 2;
    }
    return {};
}

TEST(TagFile, EveryFormatKeepsItsAudioBitForBit) {
    const Folder folder;
    for (const char* name : {"winch_hands_112bpm.wav", "pontoon_marimba.flac", "keel_bass_96.aiff",
                             "kalimba_eddies.ogg", "lock_gate_brushes.mp3"}) {
        const fs::path file = folder / name;
        fs::copy_file(support::demoAudio(name), file);
        const auto before = sound::read(file, 0);
        ASSERT_TRUE(before);
        const auto done = sound::tagFile(file, {Bpm(93.75), "F#m", {}});
        ASSERT_TRUE(done) << done.error().text;
        EXPECT_NEAR(sound::readTags(file).bpm->value, 93.75, 1e-3) << name;
        EXPECT_EQ(sound::readTags(file).key, "F#m") << name;
        EXPECT_EQ(sound::read(file, 0)->content, before->content) << name;
        EXPECT_EQ(std::distance(fs::directory_iterator(folder.path()), fs::directory_iterator()), 1)
            << "nothing is left beside it";
        fs::remove(file);
    }
}

TEST(TagFile, LoopPointsRootNoteAndBeatsAreReadByALibraryThatIsNotOurs) {
    const Folder folder;
    const fs::path file = folder / "loop.wav";
    support::writeSound(file, support::strokes({0, 24000}, 2.0), SF_FORMAT_WAV | SF_FORMAT_PCM_24);
    const std::string audio = chunk(file, "data");
    sound::LoopInfo loop;
    loop.bpm = Bpm(120);
    loop.beats = 4;
    loop.rootNote = 62;
    loop.loop = {Frames(0), Frames(96000)};
    ASSERT_TRUE(sound::tagFile(file, {Bpm(120), "Dm", {}}, loop));
    EXPECT_EQ(chunk(file, "data"), audio);
    SF_INFO info{};
    SNDFILE* opened = sf_open(file.c_str(), SFM_READ, &info);
    ASSERT_NE(opened, nullptr);
    SF_INSTRUMENT instrument{};
    EXPECT_EQ(sf_command(opened, SFC_GET_INSTRUMENT, &instrument, sizeof instrument), SF_TRUE);
    EXPECT_EQ(instrument.basenote, 62);
    EXPECT_EQ(instrument.loop_count, 1);
    EXPECT_EQ(instrument.loops[0].start, 0U);
    EXPECT_EQ(instrument.loops[0].end, 96000U);
    SF_LOOP_INFO info2{};
    EXPECT_EQ(sf_command(opened, SFC_GET_LOOP_INFO, &info2, sizeof info2), SF_TRUE);
    EXPECT_EQ(info2.num_beats, 4);
    EXPECT_FLOAT_EQ(info2.bpm, 120.0F);
    sf_close(opened);
    EXPECT_EQ(sound::readLoopInfo(file), loop);
    // Again, with other values: they take the place of the first.
    loop.rootNote = 60;
    loop.beats = 8;
    loop.bpm = Bpm(240);
    ASSERT_TRUE(sound::tagFile(file, {Bpm(240), "C", {}}, loop, {true, true}));
    EXPECT_EQ(sound::readLoopInfo(file), loop);
    EXPECT_EQ(chunk(file, "data"), audio);
}

TEST(TagFile, OtherTagsAndChunksStay) {
    const Folder folder;
    const fs::path file = folder / "tagged.wav";
    {
        SF_INFO info{0, 48000, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_16, 0, 0};
        SNDFILE* out = sf_open(file.c_str(), SFM_WRITE, &info);
        SF_BROADCAST_INFO broadcast{};
        std::memcpy(broadcast.origination_date, "2026-05-04", 10);
        std::memcpy(broadcast.origination_time, "10-20-30", 8);
        broadcast.time_reference_low = 123456;
        broadcast.version = 1;
        ASSERT_EQ(sf_command(out, SFC_SET_BROADCAST_INFO, &broadcast, sizeof broadcast), SF_TRUE);
        const auto tone = support::sine(220, 1);
        sf_writef_float(out, tone.channels[0].data(), tone.frames().value);
        sf_close(out);
    }
    {
        TagLib::FileRef ref(file.c_str());
        TagLib::PropertyMap map = ref.file()->properties();
        map.replace("TITLE", TagLib::StringList("Lock gate"));
        map.replace("ENCODEDBY", TagLib::StringList("the towpath"));
        ref.file()->setProperties(map);
        ref.save();
    }
    const std::string broadcast = chunk(file, "bext");
    ASSERT_FALSE(broadcast.empty());
    fs::permissions(file, fs::perms(0640));
    sound::LoopInfo loop;
    loop.loop = {Frames(10), Frames(2000)};
    ASSERT_TRUE(sound::tagFile(file, {Bpm(99), "", {}}, loop));
    EXPECT_EQ(chunk(file, "bext"), broadcast) << "date, time and time reference among it";
    TagLib::FileRef ref(file.c_str());
    EXPECT_EQ(ref.file()->properties()["TITLE"].toString(), TagLib::String("Lock gate"));
    EXPECT_EQ(ref.file()->properties()["ENCODEDBY"].toString(), TagLib::String("the towpath"));
    EXPECT_EQ(fs::status(file).permissions(), fs::perms(0640));
}

TEST(TagFile, WhatCannotBeTaggedIsRefusedAndStaysAsItIs) {
    const Folder folder;
    const fs::path list = folder / "list.wav";
    support::writeBytes(list, "milk, bread\n");
    const auto refused = sound::tagFile(list, {Bpm(99), "", {}});
    ASSERT_FALSE(refused);
    EXPECT_NE(refused.error().text.find("list.wav"), std::string::npos) << refused.error().text;
    EXPECT_EQ(support::readBytes(list), "milk, bread\n");
    EXPECT_FALSE(sound::tagFile(folder / "gone.wav", {Bpm(99), "", {}}));
    EXPECT_FALSE(fs::exists(folder / "gone.wav"));
}

TEST(LoopInfo, FiguresThatCannotBeAreNotBelieved) {
    const Folder folder;
    const fs::path file = folder / "loop.wav";
    const auto withTempo = [&](float bpm, int beats) {
        support::writeSound(file, support::sine(220, 1), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        std::string bytes = support::readBytes(file);
        std::string loop("acid\x18\0\0\0", 8);
        loop.resize(32, '\0');
        std::memcpy(loop.data() + 20, &beats, 4);
        loop[24] = 4;
        loop[26] = 4;
        std::memcpy(loop.data() + 28, &bpm, 4);
        bytes += loop;
        const auto size = static_cast<std::uint32_t>(bytes.size() - 8);
        std::memcpy(bytes.data() + 4, &size, 4);
        support::writeBytes(file, bytes);
        return sound::readLoopInfo(file);
    };
    EXPECT_EQ(withTempo(128, 16).bpm, Bpm(128));
    EXPECT_EQ(withTempo(128, 16).beats, 16);
    for (const float bad :
         {std::numeric_limits<float>::quiet_NaN(), std::numeric_limits<float>::infinity(), -1.0F, 1e9F, 0.5F}) {
        EXPECT_FALSE(withTempo(bad, 8).bpm) << bad;
        EXPECT_FALSE(withTempo(bad, 8).refused.empty()) << bad;
    }
    EXPECT_FALSE(withTempo(0, 8).bpm);
    EXPECT_FALSE(withTempo(128, -4).beats);
    EXPECT_FALSE(withTempo(128, 2'000'000'000).beats);
}

} // namespace
