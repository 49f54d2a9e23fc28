// Files are opened by what they hold, whole, and in our own words.
#include "sound/decoder.h"

#include "sound/read.h"
#include "support/audio.h"
#include "support/files.h"

#include <gtest/gtest.h>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using support::Folder;

std::string demo(const char* name) {
    return support::readBytes(support::demoAudio(name));
}

// libsndfile, another decoder, says how many frames an MP3 with delay and padding has, and which.
TEST(Mp3, IsAsAnotherDecoderHasIt) {
    for (const char* name : {"heron_whistle.mp3", "lock_gate_brushes.mp3"}) {
        const auto ours = sound::read(support::demoAudio(name), 0);
        ASSERT_TRUE(ours);
        EXPECT_TRUE(ours->warnings.empty());
        SF_INFO info{};
        SNDFILE* file = sf_open(support::demoAudio(name).c_str(), SFM_READ, &info);
        std::vector<float> theirs(static_cast<std::size_t>(info.frames + 5000) *
                                  static_cast<std::size_t>(info.channels));
        const sf_count_t n = sf_readf_float(file, theirs.data(), info.frames + 5000);
        sf_close(file);
        ASSERT_EQ(ours->audio.frames().value, n) << name;
        for (std::size_t c = 0; c < ours->audio.channels.size(); ++c)
            for (std::size_t i = 0; i < static_cast<std::size_t>(n); ++i)
                ASSERT_NEAR(ours->audio.channels[c][i], theirs[i * ours->audio.channels.size() + c], 1e-6) << i;
    }
}

TEST(Mp3, FilesThatWereJoinedAreReadWhole) {
    const Folder folder;
    support::writeBytes(folder / "joined.mp3", demo("heron_whistle.mp3") + demo("lock_gate_brushes.mp3"));
    const auto first = sound::read(support::demoAudio("heron_whistle.mp3"), 0);
    const auto second = sound::read(support::demoAudio("lock_gate_brushes.mp3"), 0);
    const auto joined = sound::read(folder / "joined.mp3", 0);
    ASSERT_TRUE(joined) << joined.error().text;
    EXPECT_EQ(joined->audio.frames(), first->audio.frames() + second->audio.frames());
    EXPECT_TRUE(joined->warnings.empty());
}

TEST(Mp3, ACutOneSaysSo) {
    const Folder folder;
    for (const double share : {0.2, 0.5, 0.97}) {
        support::cutFile(support::demoAudio("heron_whistle.mp3"), folder / "cut.mp3", share);
        const auto r = sound::read(folder / "cut.mp3", 0);
        ASSERT_TRUE(r) << r.error().text;
        ASSERT_EQ(r->warnings.size(), 1U) << share;
        EXPECT_NE(r->warnings[0].find("cut.mp3 ends early"), std::string::npos) << r->warnings[0];
    }
}

TEST(Mp3, WhatIsRenamedIsNoSound) {
    const Folder folder;
    fs::copy_file(fs::read_symlink("/proc/self/exe"), folder / "program.mp3"); // this test
    const auto program = sound::read(folder / "program.mp3", 0);
    ASSERT_FALSE(program);
    EXPECT_NE(program.error().text.find("program.mp3"), std::string::npos);
    // A sound under a wrong name is a sound.
    fs::copy_file(support::demoAudio("heron_whistle.mp3"), folder / "whistle.wav");
    EXPECT_TRUE(sound::read(folder / "whistle.wav", 0));
}

TEST(Decoder, RandomBytesAreNoRawAudioWhateverTheyAreCalled) {
    const Folder folder;
    std::string bytes;
    for (unsigned i = 0, x = 12345; i < 40000; ++i, x = x * 1664525 + 1013904223)
        bytes += static_cast<char>(x >> 24);
    for (const char* name : {"x.au", "x.snd", "x.gsm", "x.vox", "x.mp3", "x.raw", "x.wav", "x.ogg"}) {
        support::writeBytes(folder / name, bytes);
        EXPECT_FALSE(sound::read(folder / name, 0)) << name;
    }
    // A kind that is not promised is not opened either.
    support::writeSound(folder / "real.au", support::sine(440, 0.5), SF_FORMAT_AU | SF_FORMAT_PCM_16);
    EXPECT_FALSE(sound::read(folder / "real.au", 0));
}

TEST(Ogg, ChainedFilesAreReadWhole) {
    const Folder folder;
    const std::string kalimba = demo("kalimba_eddies.ogg");
    support::writeBytes(folder / "chain.ogg", kalimba + kalimba);
    const auto one = sound::read(support::demoAudio("kalimba_eddies.ogg"), 0);
    const auto two = sound::read(folder / "chain.ogg", 0);
    ASSERT_TRUE(two) << two.error().text;
    EXPECT_EQ(two->audio.frames().value, 2 * one->audio.frames().value);
    EXPECT_TRUE(two->warnings.empty());
    for (std::size_t i = 0; i < 1000; ++i)
        ASSERT_EQ(two->audio.channels[0][static_cast<std::size_t>(one->audio.frames().value) + i],
                  one->audio.channels[0][i]);
    support::writeSound(folder / "o.opus", support::sine(440, 1, 48000), SF_FORMAT_OGG | SF_FORMAT_OPUS);
    const std::string opus = support::readBytes(folder / "o.opus");
    support::writeBytes(folder / "oo.opus", opus + opus);
    EXPECT_EQ(sound::read(folder / "oo.opus", 0)->audio.frames().value,
              2 * sound::read(folder / "o.opus", 0)->audio.frames().value);
}

TEST(Ogg, PartsThatDifferAreSaid) {
    const Folder folder;
    support::writeSound(folder / "other.ogg", support::sine(440, 1, 22050), SF_FORMAT_OGG | SF_FORMAT_VORBIS);
    support::writeBytes(folder / "mixed.ogg",
                        demo("kalimba_eddies.ogg") + support::readBytes(folder / "other.ogg"));
    const auto r = sound::read(folder / "mixed.ogg", 0);
    ASSERT_TRUE(r) << r.error().text;
    ASSERT_EQ(r->warnings.size(), 1U);
    EXPECT_NE(r->warnings[0].find("different rates"), std::string::npos) << r->warnings[0];
}

TEST(Reader, RefusesWhatIsTooLongBeforeItIsDecoded) {
    for (const char* name :
         {"heron_whistle.mp3", "kalimba_eddies.ogg", "pontoon_marimba.flac", "winch_hands_112bpm.wav"}) {
        const auto r = sound::Reader::open(support::demoAudio(name), 44100);
        ASSERT_FALSE(r) << name;
        EXPECT_NE(r.error().text.find("may be"), std::string::npos) << r.error().text;
    }
}

// What a project keeps at a higher rate needs more room than the file's own samples.
TEST(Reader, TheLimitCountsAtTheRateAtWhichItIsKept) {
    const Folder folder;
    support::writeSound(folder / "low.wav", support::sine(440, 2, 8000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    EXPECT_TRUE(sound::Reader::open(folder / "low.wav", 20000));
    EXPECT_TRUE(sound::Reader::open(folder / "low.wav", 100000, 48000));
    EXPECT_FALSE(sound::Reader::open(folder / "low.wav", 20000, 48000));
}

// What programs leave that write to a pipe.
TEST(Reader, WhatCameThroughAPipeIsWhole) {
    const Folder folder;
    for (const char* name : {"piped.wav", "piped.flac"}) {
        const std::string kind = fs::path(name).extension().string().substr(1);
        const auto made =
            support::run("ffmpeg -v error -i " + support::quoted(support::demoAudio("winch_hands_112bpm.wav")) +
                         " -f " + kind + " - | cat > " + support::quoted(folder / name));
        ASSERT_EQ(made.status, 0) << made.err;
        const auto piped = sound::read(folder / name, 0);
        ASSERT_TRUE(piped) << piped.error().text;
        EXPECT_TRUE(piped->warnings.empty()) << piped->warnings[0];
        EXPECT_EQ(piped->audio.frames(),
                  sound::read(support::demoAudio("winch_hands_112bpm.wav"), 0)->audio.frames());
    }
    // Half of one is cut, whatever else it does not say.
    support::writeSound(folder / "whole.wav", support::noise(2), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    support::cutFile(folder / "whole.wav", folder / "half.wav", 0.5);
    EXPECT_EQ(sound::read(folder / "half.wav", 0)->warnings.size(), 1U);
}

TEST(Ogg, WhatFollowsTheEndOfAStreamIsNoLoss) {
    const Folder folder;
    support::writeSound(folder / "a.opus", support::noise(2), SF_FORMAT_OGG | SF_FORMAT_OPUS);
    for (const auto& [name, whole] : {std::pair(std::string("kalimba.ogg"), demo("kalimba_eddies.ogg")),
                                      {"a.opus", support::readBytes(folder / "a.opus")}}) {
        for (const std::string& tail : {std::string(5000, '\0'), std::string("some words behind it")}) {
            support::writeBytes(folder / name, whole + tail);
            const auto read = sound::read(folder / name, 0);
            ASSERT_TRUE(read) << read.error().text;
            EXPECT_TRUE(read->warnings.empty()) << read->warnings[0];
        }
        support::writeBytes(folder / name, whole.substr(0, whole.size() - 40));
        EXPECT_EQ(sound::read(folder / name, 0)->warnings.size(), 1U) << "its last page is cut";
    }
}

TEST(Reader, Wave64AndCafAreRead) {
    const Folder folder;
    const auto sound = support::noise(1, 48000, 2);
    support::writeSound(folder / "a.w64", sound, SF_FORMAT_W64 | SF_FORMAT_PCM_24);
    support::writeSound(folder / "a.caf", sound, SF_FORMAT_CAF | SF_FORMAT_PCM_16);
    for (const char* name : {"a.w64", "a.caf"}) {
        const auto read = sound::read(folder / name, 0);
        ASSERT_TRUE(read) << read.error().text;
        EXPECT_EQ(read->audio.frames(), sound.frames());
        EXPECT_TRUE(read->warnings.empty());
    }
}

TEST(Reader, SamplesInAnotherScaleAreRefusedWithTheirSize) {
    const Folder folder;
    support::Audio loud = support::sine(440, 1);
    for (float& s : loud.channels[0])
        s *= 1.6e7F;
    support::writeSound(folder / "loud.wav", loud, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    const auto read = sound::read(folder / "loud.wav", 0);
    ASSERT_FALSE(read);
    EXPECT_NE(read.error().text.find("full scale is 1"), std::string::npos) << read.error().text;
}

// A first frame as another encoder writes it: no sound, and the delay of what follows.
TEST(Mp3, AVbriFrameIsNoSoundAndItsDelayIsCut) {
    const Folder folder;
    std::string plain;
    {
        // Without any such frame: 20 frames of 128 kbit/s at 44.1 kHz, from the demo's own.
        const auto made = support::run("ffmpeg -v error -y -f lavfi -i sine=440:d=1:r=44100 -c:a libmp3lame -b:a "
                                       "128k -write_xing 0 -id3v2_version "
                                       "0 " +
                                       support::quoted(folder / "plain.mp3"));
        ASSERT_EQ(made.status, 0) << made.err;
        plain = support::readBytes(folder / "plain.mp3");
    }
    const auto without = sound::read(folder / "plain.mp3", 0);
    ASSERT_TRUE(without) << without.error().text;
    const std::int64_t frames = without->audio.frames().value / 1152;
    std::string vbri = plain.substr(0, 4) + std::string(413, '\0');
    const std::string head = std::string("VBRI\0\1", 6) + std::string("\x04\x80", 2) + std::string(6, '\0') +
                             std::string(2, '\0') + char(frames >> 8) + char(frames & 0xFF);
    vbri.replace(36, head.size(), head);
    support::writeBytes(folder / "vbri.mp3", vbri + plain);
    const auto with = sound::read(folder / "vbri.mp3", 0);
    ASSERT_TRUE(with) << with.error().text;
    EXPECT_EQ(with->audio.frames().value, without->audio.frames().value - 0x480 - 529);
}

} // namespace
