// What is handed on, read by others: ffprobe, sox, mediainfo, mutagen, libsmf; and chunk by chunk, by the published
// layouts.
#include "deliver/deliver.h"
#include "deliver/midi_map.h"
#include "project/clip_rendering.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "sound/read.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/stretch_references.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fmt/format.h>
#include <gtest/gtest.h>
#include <smf.h>

namespace {

using namespace metre;
using support::quoted;
using support::run;

// The bass, eight beats at 104 in D minor, delivered from beat 4 on.
struct Delivery {
    support::Folder folder;
    project::LaidPtr laid;
    std::filesystem::path file;

    explicit Delivery(sound::FileKind kind, double startBeat = 4) {
        project::Project p = *project::setTempo({}, Bpm(104));
        auto added =
            project::addSources(p, {project::importFile(support::demoAudio("keel_bass_96.aiff"), 48000)->source});
        p = project::placeSources(added.project, added.ids, {}, Beats(startBeat))->project;
        laid = project::lay(p);
        deliver::Order order;
        order.folder = folder.path();
        order.pattern = "bass";
        order.kind = kind;
        order.clips = project::allClips(p);
        const auto done = deliver::deliver(laid, *deliver::plan(*laid, order), order);
        EXPECT_TRUE(done.problems.empty());
        if (!done.written.empty()) file = done.written.front();
    }
    double seconds() const { return double(laid->clips().front().time().length.value) / 48000; }
};

std::uint64_t little(const std::string& bytes, std::size_t at, int count) {
    std::uint64_t value = 0;
    for (int i = count; i-- > 0;)
        value = (value << 8) | static_cast<unsigned char>(bytes[at + static_cast<std::size_t>(i)]);
    return value;
}

// The body of a RIFF chunk; empty where there is none.
std::string chunk(const std::string& file, const std::string& name) {
    for (std::size_t at = 12; at + 8 <= file.size();) {
        const std::size_t length = little(file, at + 4, 4);
        if (file.compare(at, 4, name) == 0) return file.substr(at + 8, length);
        at += 8 + length + length % 2;
    }
    return {};
}

TEST(HandedOn, EveryFormatSaysToOthersWhatItIs) {
    for (const sound::FileKind kind : sound::fileKinds()) {
        const Delivery d(kind);
        ASSERT_FALSE(d.file.empty());
        const std::string file = quoted(d.file);
        const std::string name = sound::kindWord(kind);
        // FFmpeg's ffprobe: length and tags (TBPM as ID3v2 has it, https://id3.org/id3v2.3.0; BPM as Vorbis
        // comments do by common practice).
        const auto probed =
            run("ffprobe -v error -show_entries format=duration:format_tags:stream_tags -of flat " + file);
        ASSERT_EQ(probed.status, 0) << name << probed.err;
        std::string lower = probed.out;
        std::transform(lower.begin(), lower.end(), lower.begin(), [](unsigned char c) { return std::tolower(c); });
        const auto duration = lower.find("duration=\"");
        ASSERT_NE(duration, std::string::npos) << probed.out;
        // MP3 comes in frames of 24 ms, and says so.
        EXPECT_NEAR(std::stod(lower.substr(duration + 10)), d.seconds(), kind == sound::FileKind::Mp3 ? 0.08 : 0.01)
            << name;
        if (kind != sound::FileKind::Wav && kind != sound::FileKind::Aiff) { // it does not look for ID3 there
            EXPECT_NE(lower.find("=\"104\""), std::string::npos) << name << "\n" << probed.out;
            EXPECT_NE(lower.find("=\"dm\""), std::string::npos) << name << "\n" << probed.out;
        }
        // mutagen, which knows ID3 in WAV and AIFF as well.
        const auto tags = run(
            "/usr/bin/python3 -c 'import mutagen,sys; f=mutagen.File(sys.argv[1]); print(sorted((k, str(v)) for "
            "k, v in f.tags.items())); print(f.info.length)' " +
            file);
        ASSERT_EQ(tags.status, 0) << name << tags.err;
        EXPECT_NE(tags.out.find("104"), std::string::npos) << name << "\n" << tags.out;
        EXPECT_NE(tags.out.find("Dm"), std::string::npos) << name << "\n" << tags.out;
        EXPECT_NE(tags.out.find("'8'"), std::string::npos) << name << " beats\n" << tags.out;
        // mediainfo.
        const auto info = run("mediainfo " + file);
        EXPECT_EQ(info.status, 0) << name;
        EXPECT_NE(info.out.find("Audio"), std::string::npos) << name;
        // sox, where it reads the kind: the very number of samples.
        if (kind == sound::FileKind::Wav || kind == sound::FileKind::Aiff || kind == sound::FileKind::Flac) {
            const auto samples = run("sox --i -s " + file);
            ASSERT_EQ(samples.status, 0) << samples.err;
            EXPECT_EQ(std::stoll(samples.out), std::llround(d.seconds() * 48000)) << name;
        }
    }
}

// The sampler chunk of "Multimedia Programming Interface and Data Specifications 1.0" (IBM, Microsoft, 1991; layout
// from memory): root note at byte 12, one loop at byte 36 with its first and last sample.
TEST(HandedOn, AWavHasItsLoopPointsRootNoteAndBars) {
    const Delivery d(sound::FileKind::Wav);
    const std::string bytes = support::readBytes(d.file);
    const std::string smpl = chunk(bytes, "smpl");
    ASSERT_EQ(smpl.size(), 60U);
    EXPECT_EQ(little(smpl, 12, 4), 62U); // D above the C in the middle
    EXPECT_EQ(little(smpl, 28, 4), 1U);
    EXPECT_EQ(little(smpl, 36 + 8, 4), 0U);
    const auto frames = static_cast<std::uint64_t>(std::llround(d.seconds() * 48000));
    EXPECT_EQ(little(smpl, 36 + 12, 4), frames - 1);
    // Two bars of four: a cue point at each, at bytes 4 and 28, with its place in samples last.
    const std::string cue = chunk(bytes, "cue ");
    ASSERT_EQ(cue.size(), 4U + 2 * 24);
    EXPECT_EQ(little(cue, 0, 4), 2U);
    EXPECT_EQ(little(cue, 4 + 20, 4), 0U);
    EXPECT_NEAR(double(little(cue, 28 + 20, 4)), 4 * 60 / 104.0 * 48000, 1);
    EXPECT_NE(bytes.find("bar 3"), std::string::npos); // beat 4 is the beginning of bar 2, and the next is 3
}

// EBU Tech 3285 (2011), Broadcast Wave Format: description 256 bytes, originator 32, its reference 32, date 10,
// time 8, then the time reference, low and high word. So it begins at byte 338.
TEST(HandedOn, ABroadcastWaveSaysWhereInTheProjectItBegins) {
    const Delivery d(sound::FileKind::Wav);
    const std::string bext = chunk(support::readBytes(d.file), "bext");
    ASSERT_GE(bext.size(), 602U);
    const std::uint64_t at = little(bext, 338, 4) | (little(bext, 342, 4) << 32);
    EXPECT_EQ(at, std::uint64_t(std::llround(4 * 60 / 104.0 * 48000)));
    EXPECT_EQ(bext.substr(0, 12), "keel_bass_96" + std::string());
    // And mediainfo reads it so.
    const auto info = run("mediainfo --Inform='General;%Delay%|%Description%' " + quoted(d.file));
    EXPECT_NE(info.out.find("keel_bass_96"), std::string::npos) << info.out;
}

// EBU Tech 3306 (2009), RF64: 'RF64', 0xFFFFFFFF where the size was, 'WAVE', then 'ds64' with the sizes in 64 bits.
TEST(HandedOn, ALargeFileIsRf64) {
    const support::Folder folder;
    const sound::Audio tone = support::sine(440, 1, 48000, 2);
    sound::WriteAs as;
    as.largeFrom = 100'000; // what is large is a matter of 4 GB as a rule
    as.reference = sound::TimeReference{std::int64_t(5) << 32, "long"};
    const auto file = folder / "long.wav";
    ASSERT_TRUE(sound::write(file, prove::blocksOf(tone), as));
    const std::string bytes = support::readBytes(file);
    EXPECT_EQ(bytes.substr(0, 4), "RF64");
    EXPECT_EQ(little(bytes, 4, 4), 0xFFFFFFFFU);
    EXPECT_EQ(bytes.substr(8, 8), "WAVEds64");
    EXPECT_EQ(little(bytes, 20, 8), bytes.size() - 8);
    EXPECT_EQ(little(bytes, 28, 8), 48000U * 6);
    const std::string bext = chunk(bytes, "bext");
    ASSERT_GE(bext.size(), 602U);
    EXPECT_EQ(little(bext, 338, 4) | (little(bext, 342, 4) << 32), std::uint64_t(5) << 32);
    const auto probed = run("ffprobe -v error -show_entries format=duration -of csv=p=0 " + quoted(file));
    EXPECT_NEAR(std::stod(probed.out), 1, 0.001);
}

// Where each bar begins by libsmf, which reads what we wrote.
TEST(HandedOn, ATempoMapKeepsEveryBarWithinAMillisecond) {
    using Shape = TempoPoint::Shape;
    const auto tempo = *TempoMap::make({{Beats(0), Bpm(104), Shape::Hold},
                                        {Beats(16), Bpm(104), Shape::Ramp},
                                        {Beats(40), Bpm(167.3), Shape::Ramp},
                                        {Beats(64), Bpm(61.7), Shape::Hold},
                                        {Beats(91), Bpm(399.99), Shape::Hold}});
    const auto metres = *MetreMap::make({{1, {4, 4}}, {5, {7, 8}}, {11, {3, 4}}, {20, {6, 8}}});
    for (const int from : {1, 4, 9}) {
        const deliver::Maps maps = deliver::fromBar(tempo, metres, from);
        const Beats begin = metres.startOfBar(from);
        const std::string midi = deliver::midiMap(maps.tempo, maps.metre, Beats(200));
        smf_t* smf = smf_load_from_memory(midi.data(), int(midi.size()));
        ASSERT_NE(smf, nullptr);
        for (int bar = from; metres.startOfBar(bar) < Beats(180); ++bar) {
            const Beats at = metres.startOfBar(bar) - begin;
            // It has no question for the time of a tick; a tempo says since when it holds.
            const auto pulses = static_cast<int>(std::llround(at.value * smf->ppqn));
            const smf_tempo_t* holds = smf_get_tempo_by_pulses(smf, std::max(1, pulses));
            ASSERT_NE(holds, nullptr);
            const double seconds = holds->time_seconds + double(pulses - holds->time_pulses) / smf->ppqn *
                                                             holds->microseconds_per_quarter_note / 1e6;
            EXPECT_NEAR(seconds, (tempo.secondsAt(metres.startOfBar(bar)) - tempo.secondsAt(begin)).value, 0.001)
                << "bar " << bar << " from " << from;
            EXPECT_EQ(maps.metre.barAt(at + Beats(1e-6)), bar - from + 1);
        }
        smf_delete(smf);
    }
}

// And ours reads back what ours and libsmf write.
TEST(HandedOn, ATempoMapIsTakenInAgain) {
    using Shape = TempoPoint::Shape;
    const auto tempo = *TempoMap::make({{Beats(0), Bpm(104), Shape::Hold},
                                        {Beats(16), Bpm(104), Shape::Ramp},
                                        {Beats(40), Bpm(167.3), Shape::Hold}});
    const auto metres = *MetreMap::make({{1, {4, 4}}, {5, {7, 8}}, {11, {3, 4}}});
    const auto read = deliver::readMidiMap(deliver::midiMap(tempo, metres, Beats(100)));
    ASSERT_TRUE(read.has_value()) << read.error().text;
    EXPECT_TRUE(read->hasTempo && read->hasMetre && read->warnings.empty());
    EXPECT_EQ(read->maps.metre.points(), metres.points());
    for (double b = 0; b < 100; b += 0.37)
        EXPECT_NEAR(read->maps.tempo.secondsAt(Beats(b)).value, tempo.secondsAt(Beats(b)).value, 0.001);

    smf_t* smf = smf_new();
    ASSERT_EQ(smf_set_ppqn(smf, 480), 0);
    smf_track_t* track = smf_track_new();
    smf_add_track(smf, track);
    const auto put = [&](std::vector<unsigned char> bytes, int pulses) {
        smf_event_t* event = smf_event_new_from_pointer(bytes.data(), int(bytes.size()));
        smf_track_add_event_pulses(track, event, pulses);
    };
    put({0xFF, 0x51, 3, 0x07, 0xA1, 0x20}, 0); // 120
    put({0x90, 60, 100}, 0);                   // a note is passed over
    put({0x80, 60, 0}, 480);
    put({0xFF, 0x51, 3, 0x06, 0x1A, 0x80}, 960); // 400 000 µs: 150
    put({0xFF, 0x58, 4, 3, 2, 24, 8}, 1920);     // 3/4 from bar 2 on
    const support::Folder folder;
    ASSERT_EQ(smf_save(smf, (folder / "theirs.mid").c_str()), 0);
    smf_delete(smf);
    const auto theirs = deliver::readMidiMap(support::readBytes(folder / "theirs.mid"));
    ASSERT_TRUE(theirs.has_value()) << theirs.error().text;
    ASSERT_EQ(theirs->maps.tempo.points().size(), 2U);
    EXPECT_NEAR(theirs->maps.tempo.points()[0].bpm.value, 120, 1e-9);
    EXPECT_EQ(theirs->maps.tempo.points()[1].at, Beats(2));
    EXPECT_NEAR(theirs->maps.tempo.points()[1].bpm.value, 150, 1e-9);
    EXPECT_EQ(theirs->maps.metre.metreAt(Beats(4)), (Metre{3, 4}));
}

// EBU Tech 3341 (2016), test case 1: a stereo sine of 1000 Hz at −23 dBFS for 20 s is −23.0 ± 0.1 LUFS; and case 2
// at −33.
TEST(HandedOn, LoudnessIsThatOfTech3341) {
    for (const double level : {-23.0, -33.0}) {
        const sound::Audio tone = support::sine(1000, 20, 48000, 2, std::pow(10, level / 20));
        const auto measured = prove::measure(prove::blocksOf(tone), {});
        ASSERT_TRUE(measured.has_value() && measured->levels->lufs.has_value());
        EXPECT_NEAR(*measured->levels->lufs, level, 0.1);
    }
    // Tech 3341, true peak, case 16: a sine of a quarter of the rate at 45°, whose samples are 3 dB lower than it,
    // of peak −6.0 dBTP +0.2/−0.4.
    sound::Audio high(48000, 2, Frames(48000));
    for (auto& channel : high.channels)
        for (std::size_t i = 0; i < 48000; ++i) {
            const double fade = std::min({1.0, double(i) / 4800, double(48000 - i) / 4800});
            channel[i] = static_cast<float>(fade * 0.5 * std::sin(2 * M_PI * (double(i) / 4 + 0.125)));
        }
    const auto peak = prove::measure(prove::blocksOf(high), {})->levels->truePeak;
    ASSERT_TRUE(peak.has_value());
    EXPECT_LT(*peak, -6.02 + 0.2);
    EXPECT_GT(*peak, -6.02 - 0.4);
}

// Renderings of the same loops by others, proven beside ours: their attacks land no better.
TEST(HandedOn, TheProofOfOthersRenderingsBesideOurs) {
    struct Sum {
        double p95 = 0;
        double worst = 0;
    };
    Sum ours;
    Sum finer;
    Sum touch;
    std::string table = "loop                    ours p95 / worst   rubberband R3      soundtouch (ms)\n";
    for (const char* name : {"winch_hands_112bpm.wav", "rope_shaker_124.wav", "lock_gate_brushes.mp3",
                             "pontoon_marimba.flac", "kalimba_eddies.ogg", "keel_bass_96.aiff"}) {
        project::Project p = *project::setTempo({}, Bpm(104));
        auto added = project::addSources(p, {project::importFile(support::demoAudio(name), 48000)->source});
        p = project::placeSources(added.project, added.ids, {}, Beats(0))->project;
        const auto laid = project::lay(p);
        const project::LaidClip& clip = laid->clips().front();
        const auto source = prove::measureSource(*clip.source);
        const sound::Audio& recorded = clip.source->sound->audio;
        const double ratio = clip.time().job()->map.meanRatio();
        const auto proven = [&](const sound::Blocks& blocks) {
            const auto cameOut = prove::measureClip(clip, *source, blocks, false);
            EXPECT_TRUE(cameOut.has_value());
            return prove::prove(clip, p.tempo, *source, *cameOut);
        };
        const auto byUs = project::ClipRendering::plan(clip.time());
        const prove::Proof us = proven(byUs->blocks(1, {}));
        const sound::Audio theirs = reference::rubberband(recorded, ratio, reference::Engine::Finer);
        const prove::Proof rubber = proven(prove::blocksOf(theirs));
        const sound::Audio touched = reference::soundTouch(recorded, ratio);
        const prove::Proof soft = proven(prove::blocksOf(touched));
        const auto add = [](Sum& sum, const prove::Proof& proof) {
            sum.p95 += proof.sums.p95.value * 1000;
            sum.worst += std::abs(proof.sums.worst.value) * 1000;
        };
        add(ours, us);
        add(finer, rubber);
        add(touch, soft);
        const auto figures = [](const prove::Proof& proof) {
            return fmt::format("{:5.2f} / {:5.2f} ({:2})", proof.sums.p95.value * 1000,
                               std::abs(proof.sums.worst.value) * 1000, proof.sums.count);
        };
        table += fmt::format("{:<22}  {}   {}   {}\n", name, figures(us), figures(rubber), figures(soft));
        EXPECT_EQ(us.landing(prove::usualTolerance), prove::Landing::InTime) << name;
        EXPECT_EQ(us.lengthError, Frames(0)) << name;
    }
    std::printf("%s", table.c_str());
    EXPECT_LT(ours.p95, finer.p95);
    EXPECT_LT(ours.p95, touch.p95);
    EXPECT_LT(ours.worst, finer.worst);
    EXPECT_LT(ours.worst, touch.worst);
}

} // namespace
