// What a file says already stays, byte for byte, when tempo and key are written into it; and other decoders read
// the same sound afterwards.
#include "sound/read.h"
#include "sound/tag_file.h"
#include "support/audio.h"
#include "support/files.h"

#include <cstring>
#include <gtest/gtest.h>
#include <map>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using metre::Bpm;
using metre::Frames;
using support::Folder;
using support::quoted;
using support::run;

std::string number(std::uint32_t value, bool big = false) {
    std::string out;
    for (int i = 0; i < 4; ++i)
        out.push_back(static_cast<char>(value >> (8 * (big ? 3 - i : i)) & 0xFF));
    return out;
}

std::uint32_t numberIn(const std::string& bytes, std::size_t at, bool big = false) {
    std::uint32_t value = 0;
    for (std::size_t i = 0; i < 4; ++i)
        value |= std::uint32_t(static_cast<unsigned char>(bytes.at(at + i))) << (8 * (big ? 3 - i : i));
    return value;
}

std::string chunkOf(const std::string& id, std::string body, bool big = false) {
    std::string out = id + number(std::uint32_t(body.size()), big) + body;
    if (body.size() % 2 == 1) out.push_back(0);
    return out;
}

// The chunks of a WAV or AIFF in order; two of a name do not come up here.
std::map<std::string, std::string> chunksOf(const fs::path& file) {
    const std::string bytes = support::readBytes(file);
    const bool big = bytes.compare(0, 4, "FORM") == 0;
    EXPECT_EQ(numberIn(bytes, 4, big), bytes.size() - 8) << "its size is true";
    std::map<std::string, std::string> found;
    for (std::size_t at = 12; at + 8 <= bytes.size();) {
        const std::uint32_t size = numberIn(bytes, at + 4, big);
        EXPECT_LE(at + 8 + size, bytes.size());
        found[bytes.substr(at, 4)] = bytes.substr(at + 8, size);
        at += 8 + size + size % 2;
    }
    return found;
}

// A WAV with chunks behind its sound.
void wavWith(const fs::path& file, const std::string& chunks) {
    support::writeSound(file, support::strokes({0, 24000}, 4.0), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    std::string bytes = support::readBytes(file) + chunks;
    bytes.replace(4, 4, number(std::uint32_t(bytes.size() - 8)));
    support::writeBytes(file, bytes);
}

// A sampler chunk as a sampler writes it: maker, product, fraction of the pitch, two loops, data of its own.
std::string samplersOwn() {
    std::string body = number(0x01000041) + number(7) + number(20833) + number(48) + number(0x80000000U) +
                       number(25) + number(0x01020304) + number(2) + number(6);
    body += number(5) + number(0) + number(100) + number(2000) + number(0x40000000) + number(0);
    body += number(6) + number(1) + number(3000) + number(4000) + number(0) + number(3);
    return chunkOf("smpl", body + "reeds!");
}

TEST(TagKeep, ASamplersOwnChunkStaysWholeUnlessOneSaysOtherwise) {
    const Folder folder;
    const fs::path file = folder / "reed.wav";
    wavWith(file, samplersOwn() + chunkOf("LIST", "INFOICMT" + number(5) + "qu\xE9 x\0"));
    const auto before = chunksOf(file);
    sound::LoopInfo loop;
    loop.rootNote = 62;
    ASSERT_TRUE(sound::tagFile(file, {{}, "Dm", {}}, loop));
    auto after = chunksOf(file);
    for (const auto& [id, body] : before)
        EXPECT_EQ(after[id], body) << id;
    EXPECT_EQ(sound::readTags(file).key, "Dm");

    loop.bpm = Bpm(120);
    loop.beats = 8;
    loop.loop = {Frames(0), Frames(192000)};
    sound::Tags tags;
    tags.bpm = Bpm(120);
    tags.beats = 8;
    ASSERT_TRUE(sound::tagFile(file, tags, loop));
    after = chunksOf(file);
    for (const auto& [id, body] : before)
        EXPECT_EQ(after[id], body) << id;
    EXPECT_EQ(sound::readLoopInfo(file).beats, 8) << "there was no loop chunk, and is one now";

    // Asked for, the one is replaced and nothing beside it.
    ASSERT_TRUE(sound::tagFile(file, {}, loop, {true, false}));
    std::string wanted = before.at("smpl");
    wanted.replace(12, 4, number(62));
    EXPECT_EQ(chunksOf(file)["smpl"], wanted);
    ASSERT_TRUE(sound::tagFile(file, {}, loop, {false, true}));
    wanted = wanted.substr(0, 28) + number(1) + number(6) + number(0) + number(0) + number(0) + number(191999) +
             number(0) + number(0) + "reeds!";
    EXPECT_EQ(chunksOf(file)["smpl"], wanted);
}

TEST(TagKeep, AKeyAfterBeatsLeavesTheLoop) {
    const Folder folder;
    const fs::path file = folder / "winch.wav";
    wavWith(file, "");
    sound::LoopInfo loop;
    loop.bpm = Bpm(120);
    loop.beats = 8;
    loop.loop = {Frames(0), Frames(192000)};
    ASSERT_TRUE(sound::tagFile(file, {Bpm(120), "", {}}, loop));
    const sound::LoopInfo written = sound::readLoopInfo(file);
    ASSERT_EQ(written.loop, loop.loop);
    sound::LoopInfo root;
    root.rootNote = 62;
    ASSERT_TRUE(sound::tagFile(file, {{}, "Dm", {}}, root));
    EXPECT_EQ(sound::readLoopInfo(file).loop, loop.loop);
    EXPECT_EQ(sound::readLoopInfo(file).beats, 8);
    EXPECT_EQ(sound::readTags(file).bpm, Bpm(120));
}

TEST(TagKeep, TheSameAgainChangesNothingInAnyFormat) {
    const Folder folder;
    for (const char* name : {"winch_hands_112bpm.wav", "pontoon_marimba.flac", "keel_bass_96.aiff",
                             "kalimba_eddies.ogg", "lock_gate_brushes.mp3"}) {
        const fs::path file = folder / name;
        fs::copy_file(support::demoAudio(name), file);
        sound::LoopInfo loop;
        loop.bpm = Bpm(96);
        loop.beats = 4;
        loop.rootNote = 60;
        loop.loop = {Frames(0), Frames(1000)};
        sound::Tags tags{Bpm(96), "F#m", {}};
        tags.beats = 4;
        ASSERT_TRUE(sound::tagFile(file, tags, loop)) << name;
        const std::string once = support::readBytes(file);
        ASSERT_TRUE(sound::tagFile(file, tags, loop)) << name;
        EXPECT_TRUE(support::readBytes(file) == once) << name;
        EXPECT_EQ(sound::readTags(file).beats, 4) << name;
    }
}

TEST(TagKeep, FramesOfAnId3TagStayAsTheyAreInTheirVersion) {
    const Folder folder;
    const fs::path file = folder / "brushes.mp3";
    const auto safe = [](std::uint32_t n) {
        std::string out;
        for (int shift = 21; shift >= 0; shift -= 7)
            out.push_back(static_cast<char>(n >> shift & 0x7F));
        return out;
    };
    for (const int version : {3, 4}) {
        // A text in an odd encoding, a frame nobody knows, a tempo of before in UTF-16, a picture.
        const auto frame = [&](const std::string& id, const std::string& body) {
            return id +
                   (version == 4 ? safe(std::uint32_t(body.size())) : number(std::uint32_t(body.size()), true)) +
                   std::string(2, '\0') + body;
        };
        const std::string title = frame("TIT2", std::string("\x01\xFE\xFF\0L\0o\0c\0k", 11));
        const std::string odd = frame("XQ12", std::string("\x00\x01 anything \xFF\xE0", 14));
        const std::string year = frame(version == 3 ? "TYER" : "TDRC", std::string("\0", 1) + "2026");
        const std::string body = title +
                                 frame("TBPM", std::string("\x01\xFF\xFE"
                                                           "8\0"
                                                           "8\0",
                                                           7)) +
                                 odd + year;
        std::string sound = support::readBytes(support::demoAudio("lock_gate_brushes.mp3"));
        if (sound.compare(0, 3, "ID3") == 0)
            sound = sound.substr(10 + (std::size_t(sound[6]) << 21 | std::size_t(sound[7]) << 14 |
                                       std::size_t(sound[8]) << 7 | std::size_t(sound[9])));
        support::writeBytes(file, std::string("ID3") + char(version) + std::string(2, '\0') +
                                      safe(std::uint32_t(body.size()) + 50) + body + std::string(50, '\0') + sound);
        ASSERT_TRUE(sound::tagFile(file, {Bpm(96.5), "Am", {}}));
        const std::string after = support::readBytes(file);
        EXPECT_EQ(after[3], version);
        for (const std::string& kept : {title, odd, year})
            EXPECT_NE(after.find(kept), std::string::npos) << version;
        EXPECT_EQ(after.find("TBPM"), after.rfind("TBPM")) << "one tempo, not two";
        EXPECT_EQ(after.substr(after.size() - sound.size()), sound);
        EXPECT_EQ(after.size(), 10 + body.size() + 50 + sound.size()) << "there was room in the padding";
        EXPECT_EQ(sound::readTags(file).bpm, Bpm(96.5));
    }
}

TEST(TagKeep, CommentsOfFlacAndOggKeepTheirOrderAndTheirBytes) {
    const Folder folder;
    for (const auto& [name, make] :
         {std::pair("a.flac", "flac"), std::pair("a.ogg", "libvorbis"), std::pair("a.opus", "libopus")}) {
        const fs::path file = folder / name;
        const auto made =
            run("ffmpeg -v error -y -i " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " -c:a " + make +
                " -metadata zebra=last -metadata bpm=90 -metadata Artist=nobody " + quoted(file));
        ASSERT_EQ(made.status, 0) << made.err;
        const std::string before = support::readBytes(file);
        ASSERT_TRUE(sound::tagFile(file, {Bpm(112), "Dm", {}})) << name;
        const std::string after = support::readBytes(file);
        // Up to the tempo all is the same, sizes of pages and blocks aside.
        for (const char* comment : {"zebra=last", "nobody", "Lavf"})
            EXPECT_EQ(before.find(comment) != std::string::npos, after.find(comment) != std::string::npos)
                << name << " " << comment;
        EXPECT_EQ(after.find("90"), before.find("90") == std::string::npos ? std::string::npos : after.find("90"));
        EXPECT_EQ(sound::readTags(file).bpm, Bpm(112)) << name;
        EXPECT_EQ(sound::readTags(file).key, "Dm") << name;
        EXPECT_EQ(sound::readTags(file).others.at("ZEBRA").front(), "last") << name;
    }
}

// The sum over the samples as another decoder has them.
std::string decodedBy(const std::string& decoder, const fs::path& file) {
    const auto r = run(decoder == "ffmpeg" ? "ffmpeg -v error -i " + quoted(file) + " -map 0:a -f s32le - | md5sum"
                                           : "sox -V1 " + quoted(file) + " -t s32 - 2>/dev/null | md5sum");
    return r.status == 0 ? r.out : "not decoded";
}

TEST(TagKeep, OtherDecodersReadTheSameSamplesAfterwards) {
    const Folder folder;
    std::vector<std::pair<std::string, int>> made{
        {"s16.wav", SF_FORMAT_WAV | SF_FORMAT_PCM_16},    {"u8.wav", SF_FORMAT_WAV | SF_FORMAT_PCM_U8},
        {"s24.wav", SF_FORMAT_WAV | SF_FORMAT_PCM_24},    {"float.wav", SF_FORMAT_WAV | SF_FORMAT_FLOAT},
        {"wide.wav", SF_FORMAT_WAVEX | SF_FORMAT_PCM_24}, {"s16.aiff", SF_FORMAT_AIFF | SF_FORMAT_PCM_16},
        {"float.aiff", SF_FORMAT_AIFF | SF_FORMAT_FLOAT}, {"s24.flac", SF_FORMAT_FLAC | SF_FORMAT_PCM_24},
        {"v.ogg", SF_FORMAT_OGG | SF_FORMAT_VORBIS},      {"o.opus", SF_FORMAT_OGG | SF_FORMAT_OPUS}};
    const auto sound = support::noise(1.237, 48000, 1, 5);
    for (const auto& [name, format] : made)
        support::writeSound(folder / name, sound, format);
    fs::copy_file(support::demoAudio("heron_whistle.mp3"), folder / "m.mp3");
    for (const auto& entry : fs::directory_iterator(folder.path())) {
        const fs::path file = entry.path();
        // Opus is not among the formats that sox knows everywhere.
        for (const std::string decoder : {"ffmpeg", "sox"}) {
            if (decoder == "sox" && file.extension() == ".opus") continue;
            const std::string before = decodedBy(decoder, file);
            EXPECT_NE(before, "not decoded") << file;
            sound::Tags tags{Bpm(decoder == "sox" ? 93 : 92.5), "C#m", {}};
            tags.beats = 3;
            sound::LoopInfo loop;
            loop.rootNote = 61;
            loop.loop = {Frames(5), Frames(500)};
            loop.bpm = tags.bpm;
            loop.beats = 3;
            const auto done = sound::tagFile(file, tags, loop);
            ASSERT_TRUE(done) << done.error().text;
            EXPECT_EQ(decodedBy(decoder, file), before) << decoder << " of " << file.filename();
        }
    }
}

TEST(TagKeep, WhatWasCutOffIsLeftAsItIs) {
    const Folder folder;
    support::writeSound(folder / "whole.aiff", support::noise(2), SF_FORMAT_AIFF | SF_FORMAT_PCM_16);
    support::writeSound(folder / "whole.wav", support::noise(2), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    support::writeSound(folder / "whole.ogg", support::noise(2), SF_FORMAT_OGG | SF_FORMAT_VORBIS);
    for (const char* ending : {".aiff", ".wav", ".ogg"}) {
        const fs::path file = folder / (std::string("cut") + ending);
        support::cutFile(folder / (std::string("whole") + ending), file, 0.97);
        const std::string before = support::readBytes(file);
        const auto refused = sound::tagFile(file, {Bpm(99), "", {}});
        ASSERT_FALSE(refused) << ending;
        EXPECT_NE(refused.error().text.find("cut off"), std::string::npos) << refused.error().text;
        EXPECT_NE(refused.error().text.find(file.string()), std::string::npos) << "where it lies";
        EXPECT_TRUE(support::readBytes(file) == before) << ending;
    }
}

TEST(TagKeep, ADamagedId3TagIsRefusedRatherThanMended) {
    const Folder folder;
    const fs::path file = folder / "brushes.mp3";
    const std::string good = support::readBytes(support::demoAudio("lock_gate_brushes.mp3"));
    ASSERT_EQ(good.substr(0, 3), "ID3");
    for (const auto& [at, value] :
         {std::pair(5, 0x0F), std::pair(5, 0x1F), std::pair(3, 9), std::pair(10, int('?'))}) {
        std::string bytes = good;
        bytes[std::size_t(at)] = static_cast<char>(value);
        support::writeBytes(file, bytes);
        const auto done = sound::tagFile(file, {Bpm(99), "", {}});
        EXPECT_FALSE(done) << at << " " << value;
        EXPECT_TRUE(support::readBytes(file) == bytes);
    }
}

} // namespace
