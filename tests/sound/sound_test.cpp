#include "base/utf8.h"
#include "sound/content.h"
#include "sound/decibel.h"
#include "sound/fft.h"
#include "sound/peaks.h"
#include "sound/read.h"
#include "sound/resample.h"
#include "sound/tags.h"
#include "sound/write.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>
#include <random>
#include <sndfile.h>
#include <taglib/fileref.h>
#include <taglib/tpropertymap.h>
#include <thread>

namespace {

using namespace sound;
using support::Folder;

TEST(Read, EveryDemoFormatComesInAtTheProjectRate) {
    for (const auto& [name, format, channels, seconds] :
         {std::tuple("winch_hands_112bpm.wav", "WAV 16-bit", 2, 16 * 60 / 112.0),
          std::tuple("pontoon_marimba.flac", "FLAC 16-bit", 2, 16 * 60 / 118.5),
          std::tuple("keel_bass_96.aiff", "AIFF 16-bit", 1, 5.0),
          std::tuple("kalimba_eddies.ogg", "Ogg Vorbis", 2, 0.42 + 16 * 60 / 130.9),
          std::tuple("lock_gate_brushes.mp3", "MP3", 2, 32 * 60 / 88.0),
          std::tuple("reed_drone_D.wav", "WAV 24-bit", 1, 8.0)}) {
        const auto r = read(support::demoAudio(name), 48000);
        ASSERT_TRUE(r) << r.error().text;
        EXPECT_EQ(r->facts.format, format);
        EXPECT_EQ(r->audio.channelCount(), channels) << name;
        EXPECT_EQ(r->audio.rate, 48000);
        EXPECT_NEAR(r->audio.length().value, seconds, 0.0015) << name;
        EXPECT_TRUE(r->warnings.empty()) << r->warnings.front();
        EXPECT_GT(support::rmsDb(r->audio), -40) << name;
    }
}

TEST(Read, OpusIsRead) {
    const Folder folder;
    support::writeSound(folder / "tone.opus", support::sine(440, 1.0), SF_FORMAT_OGG | SF_FORMAT_OPUS);
    const auto r = read(folder / "tone.opus", 48000);
    ASSERT_TRUE(r) << r.error().text;
    EXPECT_EQ(r->facts.format, "Ogg Opus");
    EXPECT_NEAR(support::cents(support::frequencyOf(r->audio, 440), 440), 0, 1);
}

TEST(Read, SixteenBitSamplesAreExact) {
    const Folder folder;
    Audio a(48000, 1, Frames(65536));
    for (int i = 0; i < 65536; ++i)
        a.channels[0][static_cast<std::size_t>(i)] = static_cast<float>(i - 32768) / 32768.0F;
    ASSERT_TRUE(write(folder / "all.wav", a, Depth::Int16, {}, base::Existing::Refuse));
    const auto r = read(folder / "all.wav", 0);
    ASSERT_TRUE(r);
    EXPECT_EQ(r->audio.channels[0], a.channels[0]);
}

TEST(Read, FailuresNameTheFileAndTheReason) {
    const Folder folder;
    support::writeBytes(folder / "empty.wav", "");
    support::writeBytes(folder / "text.wav", "this is a shopping list, not a sound\n");
    support::writeBytes(folder / "text.mp3", std::string(3000, 'x'));
    std::filesystem::create_directory(folder / "folder.wav");
    support::writeSound(folder / "many.wav", support::sine(200, 0.1, 48000, 64), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    support::writeSound(folder / "nothing.wav", support::silence(0), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    support::writeSound(folder / "fast.wav", Audio(2147483647, 1, Frames(100)), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    for (const auto& [name, reason] :
         {std::pair("empty.wav", "empty"), std::pair("text.wav", "not an audio file"),
          std::pair("text.mp3", "not an audio file"), std::pair("missing.wav", "no such file"),
          std::pair("folder.wav", "folder"), std::pair("many.wav", "64 channels"),
          std::pair("nothing.wav", "no sound"), std::pair("fast.wav", "2147483647 Hz")}) {
        const auto r = read(folder / name, 48000);
        ASSERT_FALSE(r) << name;
        EXPECT_NE(r.error().text.find(name), std::string::npos) << r.error().text;
        EXPECT_NE(r.error().text.find(reason), std::string::npos) << r.error().text;
    }
}

TEST(Read, ARateOfZeroIsRefused) {
    const Folder folder;
    support::writeSound(folder / "tone.wav", support::sine(200, 0.1), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    std::string bytes = support::readBytes(folder / "tone.wav");
    for (int i = 24; i < 28; ++i)
        bytes[static_cast<std::size_t>(i)] = 0;
    support::writeBytes(folder / "zero.wav", bytes);
    const auto r = read(folder / "zero.wav", 48000);
    ASSERT_FALSE(r);
    EXPECT_NE(r.error().text.find("zero.wav"), std::string::npos);
}

TEST(Read, ACutFileComesInAsFarAsItGoesWithAWarning) {
    const Folder folder;
    for (const char* name :
         {"winch_hands_112bpm.wav", "pontoon_marimba.flac", "keel_bass_96.aiff", "kalimba_eddies.ogg"}) {
        support::cutFile(support::demoAudio(name), folder / name, 0.5);
        const auto whole = read(support::demoAudio(name), 48000);
        const auto r = read(folder / name, 48000);
        if (!r) { // nothing could be decoded: then it is said
            EXPECT_NE(r.error().text.find(name), std::string::npos) << name;
            continue;
        }
        EXPECT_LT(r->audio.frames(), whole->audio.frames()) << name;
        ASSERT_EQ(r->warnings.size(), 1U) << name;
        EXPECT_NE(r->warnings[0].find(name), std::string::npos);
        EXPECT_NE(r->warnings[0].find("ends early"), std::string::npos);
    }
}

TEST(Read, NonNumbersBecomeSilenceAndAreTold) {
    const Folder folder;
    Audio a = support::sine(440, 0.2);
    for (std::size_t i = 100; i < 200; ++i)
        a.channels[0][i] = std::numeric_limits<float>::quiet_NaN();
    a.channels[0][300] = std::numeric_limits<float>::infinity();
    support::writeSound(folder / "holes.wav", a, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    const auto r = read(folder / "holes.wav", 0);
    ASSERT_TRUE(r);
    ASSERT_EQ(r->warnings.size(), 1U);
    EXPECT_NE(r->warnings[0].find("101 samples"), std::string::npos) << r->warnings[0];
    EXPECT_EQ(r->audio.channels[0][150], 0.0F);
    EXPECT_NE(r->audio.channels[0][250], 0.0F);

    for (float& s : a.channels[0])
        s = std::numeric_limits<float>::quiet_NaN();
    support::writeSound(folder / "none.wav", a, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    EXPECT_FALSE(read(folder / "none.wav", 0));
}

TEST(Read, AnOggHeaderThatPromisesTooMuchIsNotBelieved) {
    const Folder folder;
    // The last page's granule position (bytes 6–13 after its "OggS") tells the length: make it 2^63 − 1.
    std::string bytes = support::readBytes(support::demoAudio("kalimba_eddies.ogg"));
    const std::size_t page = bytes.rfind("OggS");
    for (std::size_t i = 0; i < 8; ++i)
        bytes[page + 6 + i] = static_cast<char>(i < 7 ? 0xFF : 0x7F);
    support::writeBytes(folder / "huge.ogg", bytes);
    const auto r = read(folder / "huge.ogg", 48000);
    if (r) {
        EXPECT_LT(r->audio.length().value, 8.0);
        EXPECT_EQ(r->warnings.size(), 1U);
    } else {
        EXPECT_NE(r.error().text.find("huge.ogg"), std::string::npos);
    }
}

TEST(Read, AnOverlongFileIsRefusedBeforeMemoryIs) {
    const Folder folder;
    SF_INFO info{};
    info.samplerate = 8000;
    info.channels = 1;
    info.format = SF_FORMAT_WAV | SF_FORMAT_PCM_U8;
    SNDFILE* file = sf_open((folder / "long.wav").c_str(), SFM_WRITE, &info);
    const std::vector<std::int16_t> minute(60 * 8000, 0);
    for (int m = 0; m < 100; ++m)
        sf_writef_short(file, minute.data(), 60 * 8000);
    sf_close(file);
    const auto r = read(folder / "long.wav", 192000); // short in the file, over 4 GiB at the project's rate
    ASSERT_FALSE(r);
    EXPECT_NE(r.error().text.find("100 min"), std::string::npos) << r.error().text;
}

TEST(Read, CanBeCancelled) {
    std::stop_source stop;
    stop.request_stop();
    const auto r = read(support::demoAudio("winch_hands_112bpm.wav"), 44100, {{}, stop.get_token()});
    ASSERT_FALSE(r);
    EXPECT_TRUE(r.error().cancelled);
}

TEST(Read, NamesInAnyScriptAndNoScriptAtAll) {
    const Folder folder;
    for (const std::string name : {"канал 112bpm.wav", "運河.wav", "a\xff\xfe b.wav", "new\nline.wav"}) {
        support::writeSound(folder / name, support::sine(440, 0.1), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        EXPECT_TRUE(read(folder / name, 48000)) << base::toUtf8(name);
        EXPECT_TRUE(base::isUtf8(base::shownName(folder / name)));
    }
}

TEST(Utf8, ReplacesOnlyWhatIsInvalid) {
    EXPECT_EQ(base::toUtf8("a\xff"
                           "b"),
              "a\xEF\xBF\xBD"
              "b");
    EXPECT_EQ(base::toUtf8("späť 運河"), "späť 運河");
    EXPECT_FALSE(base::isUtf8("\xC0\xAF"));     // overlong
    EXPECT_FALSE(base::isUtf8("\xED\xA0\x80")); // a surrogate
    EXPECT_FALSE(base::isUtf8("\xF4\x90\x80\x80"));
    EXPECT_FALSE(base::isUtf8("\xE2\x82"));
    EXPECT_TRUE(base::isUtf8("\xF0\x9F\x8E\xB5"));
}

TEST(Resample, LengthIsTheNearestFrameAndPitchStays) {
    const Audio a = support::sine(1000, 1.2345, 44100, 2);
    const auto r = resampled(a, 48000);
    ASSERT_TRUE(r);
    EXPECT_EQ(r->frames().value, std::llround(double(a.frames().value) * 48000 / 44100));
    EXPECT_NEAR(support::cents(support::frequencyOf(*r, 1000), 1000), 0, 0.01);
    EXPECT_EQ(r->channels[0], r->channels[1]);
    EXPECT_NEAR(support::rmsDb(*r), support::rmsDb(a), 0.02);
}

TEST(Resample, ASoundStaysWhereItWas) {
    const Audio a = support::strokes({44100}, 2.0, 44100);
    const auto up = resampled(a, 48000);
    const auto back = resampled(*up, 44100);
    EXPECT_EQ(support::lagOf(a, 44100, *back, 44100, 2000, 20), 0);
    const auto& b = up->channels[0];
    float before = 0;
    for (int i = 47000; i < 47900; ++i)
        before = std::max(before, std::abs(b[static_cast<std::size_t>(i)]));
    EXPECT_LT(before, 0.02F);
    EXPECT_GT(std::abs(b[48002]) + std::abs(b[48005]), 0.02F);
}

TEST(Write, LeavesNothingBehindWhenCancelled) {
    const Folder folder;
    std::stop_source stop;
    stop.request_stop();
    const auto w = write(folder / "x.wav", support::sine(440, 1), Depth::Int24, {}, base::Existing::Refuse,
                         {{}, stop.get_token()});
    EXPECT_FALSE(w);
    EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

TEST(Write, NeverReplacesUnasked) {
    const Folder folder;
    support::writeBytes(folder / "x.wav", "mine");
    const auto refused = write(folder / "x.wav", support::sine(440, 0.1), Depth::Int24, {}, base::Existing::Refuse);
    ASSERT_FALSE(refused);
    EXPECT_NE(refused.error().text.find("already"), std::string::npos);
    EXPECT_EQ(support::readBytes(folder / "x.wav"), "mine");
    EXPECT_TRUE(write(folder / "x.wav", support::sine(440, 0.1), Depth::Int24, {}, base::Existing::Replace));
    EXPECT_TRUE(read(folder / "x.wav", 0));
}

TEST(Write, EveryDepthComesBack) {
    const Folder folder;
    const Audio a = support::noise(0.2, 44100, 2);
    for (const auto& [depth, step] : {std::pair(Depth::Int16, 1.0 / 32768), std::pair(Depth::Int24, 1.0 / 8388608),
                                      std::pair(Depth::Float32, 0.0)}) {
        const auto path = folder / ("d" + std::to_string(static_cast<int>(depth)) + ".wav");
        ASSERT_TRUE(write(path, a, depth, {}, base::Existing::Refuse));
        const auto back = read(path, 0);
        ASSERT_EQ(back->audio.frames(), a.frames());
        for (std::size_t i = 0; i < a.channels[1].size(); ++i)
            ASSERT_NEAR(back->audio.channels[1][i], a.channels[1][i], step / 2 + 1e-9);
    }
}

// Rounded to the nearest step, halves to even, and kept within full scale: whatever is done several at a time.
TEST(Write, EverySampleIsRoundedAsOneByOne) {
    const support::Folder folder;
    std::mt19937 random(11);
    std::uniform_real_distribution<float> within(-1.2F, 1.2F);
    for (const int bits : {16, 24}) {
        const double scale = std::ldexp(1.0, bits - 1);
        Audio a(48000, 1, Frames(0));
        std::vector<float> samples{
            0.0F, -0.0F, 1.0F, -1.0F, std::nextafter(1.0F, 2.0F), std::nextafter(-1.0F, -2.0F)};
        for (const double step : {0.5, 1.5, 2.5, -0.5, -1.5, scale - 1, scale - 0.5, -scale + 0.5, -scale - 0.5})
            samples.push_back(static_cast<float>(step / scale));
        for (int i = 0; i < 5003; ++i)
            samples.push_back(within(random));
        std::size_t clipped = 0;
        std::vector<std::int32_t> expected;
        for (const float x : samples) {
            const double value = std::nearbyint(double(x) * scale);
            const double kept = std::clamp(value, -scale, scale - 1);
            if (value != kept && std::abs(x) > 1) ++clipped;
            expected.push_back(static_cast<std::int32_t>(kept) * (1 << (32 - bits)));
        }
        a.channels[0] = samples;
        const auto file = folder / (std::to_string(bits) + ".wav");
        EXPECT_EQ(write(file, a, bits == 16 ? Depth::Int16 : Depth::Int24, {}, base::Existing::Refuse)->clipped,
                  clipped);
        SF_INFO info{};
        SNDFILE* in = sf_open(file.c_str(), SFM_READ, &info);
        ASSERT_NE(in, nullptr);
        std::vector<std::int32_t> read(samples.size());
        EXPECT_EQ(sf_read_int(in, read.data(), static_cast<sf_count_t>(read.size())), sf_count_t(read.size()));
        sf_close(in);
        EXPECT_EQ(read, expected) << bits;
    }
}

TEST(Write, DitherIsTheSameHoweverItIsMade) {
    const Folder folder;
    const Audio a = support::noise(2, 44100, 2);
    WriteAs as;
    as.depth = Depth::Int16;
    as.dither = true;
    as.existing = base::Existing::Replace;
    const auto inBlocksOf = [&](std::int64_t most) {
        const Blocks blocks{a.rate, a.channelCount(), a.frames(), [&a, most](Frames from) {
                                const Frames n = std::min(Frames(most), a.frames() - from);
                                Audio block(a.rate, a.channelCount(), n);
                                for (std::size_t c = 0; c < block.channels.size(); ++c)
                                    std::copy_n(a.channels[c].begin() + from.value, n.value,
                                                block.channels[c].begin());
                                return std::make_shared<const Audio>(std::move(block));
                            }};
        EXPECT_TRUE(write(folder / "same name.wav", blocks, as));
        return support::readBytes(folder / "same name.wav");
    };
    const std::string whole = inBlocksOf(a.frames().value);
    EXPECT_TRUE(inBlocksOf(1000) == whole);
    EXPECT_TRUE(inBlocksOf(50001) == whole);
    // Each channel has a noise of its own.
    Audio equal(44100, 2, Frames(1000));
    for (auto& samples : equal.channels)
        std::fill(samples.begin(), samples.end(), 0.3F / 32768);
    ASSERT_TRUE(
        write(folder / "equal.wav",
              Blocks{44100, 2, equal.frames(), [&](Frames) { return std::make_shared<const Audio>(equal); }}, as));
    const auto back = read(folder / "equal.wav", 0);
    ASSERT_TRUE(back);
    EXPECT_NE(back->audio.channels[0], back->audio.channels[1]);
}

TEST(Write, CountsWhatIsOverFullScale) {
    const Folder folder;
    Audio a(48000, 1, Frames(10));
    a.channels[0] = std::vector<float>{0, 1.0F, 1.5F, -1.0F, -1.5F, 0, 0, 0, 0, 0};
    EXPECT_EQ(write(folder / "x.wav", a, Depth::Int16, {}, base::Existing::Refuse)->clipped, 2U);
    EXPECT_EQ(write(folder / "f.wav", a, Depth::Float32, {}, base::Existing::Refuse)->clipped, 0U);
    EXPECT_EQ(read(folder / "f.wav", 0)->audio.channels[0][2], 1.5F);
}

TEST(Write, SaysWhyItCannot) {
    const Folder folder;
    const Audio a = support::sine(440, 0.1);
    EXPECT_NE(write(folder / "x.xyz", a, Depth::Int16, {}, base::Existing::Refuse).error().text.find("must end in"),
              std::string::npos);
    EXPECT_NE(write(folder / "no" / "x.wav", a, Depth::Int16, {}, base::Existing::Refuse)
                  .error()
                  .text.find("folder is not there"),
              std::string::npos);
}

TEST(Tags, ComeBackFromEveryFormat) {
    const Folder folder;
    const Tags tags{Bpm(97.5), "Dm", {}};
    for (const char* name : {"t.wav", "t.aiff", "t.flac", "t.ogg"}) {
        ASSERT_TRUE(write(folder / name, support::sine(440, 0.3), Depth::Int16, tags, base::Existing::Refuse))
            << name;
        const Tags back = readTags(folder / name);
        ASSERT_TRUE(back.bpm) << name;
        EXPECT_NEAR(back.bpm->value, 97.5, 1e-9) << name;
        EXPECT_EQ(back.key, "Dm") << name;
    }
}

TEST(Tags, NonsenseIsNoTempo) {
    const Folder folder;
    support::writeSound(folder / "t.flac", support::sine(440, 0.3), SF_FORMAT_FLAC | SF_FORMAT_PCM_16);
    for (const char* bad : {"fast", "0", "-1", "NaN", "1e9"}) {
        TagLib::FileRef file((folder / "t.flac").c_str(), false);
        TagLib::PropertyMap properties = file.file()->properties();
        properties.replace("BPM", TagLib::StringList(TagLib::String(bad)));
        file.file()->setProperties(properties);
        ASSERT_TRUE(file.save());
        const Tags tags = readTags(folder / "t.flac");
        EXPECT_FALSE(tags.bpm) << bad;
        EXPECT_EQ(tags.refused, bad);
    }
}

TEST(Content, KnowsTheSameAudioInAnotherFormat) {
    const Folder folder;
    const auto wav = read(support::demoAudio("winch_hands_112bpm.wav"), 44100);
    ASSERT_TRUE(write(folder / "renamed.flac", read(support::demoAudio("winch_hands_112bpm.wav"), 0)->audio,
                      Depth::Int16, {Bpm(112), "", {}}, base::Existing::Refuse));
    EXPECT_EQ(read(folder / "renamed.flac", 48000)->content, wav->content);
    Audio other = support::sine(440, 1);
    const std::string before = contentOf(other);
    other.channels[0][777] += 1e-6F;
    EXPECT_NE(contentOf(other), before);
}

TEST(Peaks, MatchTheSamples) {
    const Audio a = support::noise(3.0, 8000, 2);
    const Peaks peaks(a);
    for (const auto& [from, to] :
         {std::pair(0, 24000), std::pair(64, 128), std::pair(640, 6400), std::pair(23000, 24000)}) {
        const Extent coarse = peaks.over(Frames(from), Frames(to));
        const Extent exact = exactExtent(a, Frames(from), Frames(to));
        EXPECT_GE(coarse.high, exact.high);
        EXPECT_LE(coarse.low, exact.low);
        EXPECT_NEAR(coarse.high, exact.high, 0.03);
    }
    EXPECT_EQ(peaks.over(Frames(30000), Frames(40000)), Extent{});
    EXPECT_EQ(peaks.over(Frames(-500), Frames(0)), Extent{});
}

TEST(Peaks, TellTheExtentOfFewSamplesExactly) {
    const Audio a = support::noise(1.0, 8000, 2);
    const Peaks peaks(a);
    for (int from = -70; from < 8070; from += 13)
        for (const int length : {0, 1, 3, 63, 64, 65, 128, 200, 256}) {
            float low = 0;
            float high = 0;
            bool any = false;
            for (int i = std::max(0, from); i < std::min(8000, from + length); ++i)
                for (const auto& samples : a.channels) {
                    const float s = samples[static_cast<std::size_t>(i)];
                    low = any ? std::min(low, s) : s;
                    high = any ? std::max(high, s) : s;
                    any = true;
                }
            const Extent expected{low, high};
            ASSERT_EQ(exactExtent(a, Frames(from), Frames(from + length)), expected) << from << " " << length;
            ASSERT_EQ(exactExtent(a, peaks, Frames(from), Frames(from + length)), expected)
                << from << " " << length;
        }
}

TEST(Fft, GoesThereAndBack) {
    RealFft fft(256);
    const Audio a = support::noise(0.1, 48000);
    for (std::size_t i = 0; i < 256; ++i)
        fft.time()[i] = a.channels[0][i];
    fft.forward();
    fft.inverse();
    for (std::size_t i = 0; i < 256; ++i)
        EXPECT_NEAR(fft.time()[i], a.channels[0][i], 1e-6);
}

// The definition of the transform, term by term.
TEST(Fft, IsTheTransform) {
    const Audio a = support::noise(0.1, 48000);
    for (const std::size_t n : {2U, 4U, 6U, 8U, 10U, 12U, 14U, 16U, 30U, 64U, 100U, 256U}) {
        RealFft fft(n);
        std::copy_n(a.channels[0].begin(), n, fft.time().begin());
        fft.forward();
        ASSERT_EQ(fft.spectrum().size(), n / 2 + 1);
        for (std::size_t k = 0; k <= n / 2; ++k) {
            std::complex<double> sum = 0;
            for (std::size_t i = 0; i < n; ++i)
                sum +=
                    double(a.channels[0][i]) * std::polar(1.0, -2 * std::numbers::pi * double(i * k) / double(n));
            EXPECT_NEAR(std::abs(std::complex<double>(fft.spectrum()[k]) - sum), 0, 1e-6 * double(n))
                << n << " " << k;
        }
        fft.inverse();
        for (std::size_t i = 0; i < n; ++i)
            EXPECT_NEAR(fft.time()[i], a.channels[0][i], 1e-6) << n;
    }
}

TEST(Fft, PlansFromManyThreadsAtOnce) {
    std::vector<std::jthread> threads;
    for (int t = 0; t < 4; ++t)
        threads.emplace_back([] {
            for (std::size_t n = 64; n <= 4096; n *= 2) {
                RealFft fft(n);
                for (std::size_t i = 0; i < n; ++i)
                    fft.time()[i] = static_cast<float>(std::cos(2 * std::numbers::pi * 3 * double(i) / double(n)));
                fft.forward();
                EXPECT_NEAR(std::abs(fft.spectrum()[3]), double(n) / 2, double(n) * 1e-5);
            }
        });
}

TEST(Decibel, FactorsAndBack) {
    EXPECT_NEAR(factorFromDb(-6.0206), 0.5, 1e-5);
    EXPECT_NEAR(dbFromFactor(0.5), -6.0206, 1e-4);
    EXPECT_EQ(dbFromFactor(0), silenceDb);
}

// WAVE_FORMAT_EXTENSIBLE (Microsoft, "Multiple Channel Audio Data and WAVE Files", 2001; from memory): a format
// chunk of 40 bytes, with an extension of 22. Strict readers want an extension for all that is not whole numbers.
TEST(Write, FloatsHaveTheExtensionOfTheirFormatChunk) {
    const Folder folder;
    ASSERT_TRUE(write(folder / "f.wav", support::noise(0.1), Depth::Float32, {}, base::Existing::Refuse));
    const std::string bytes = support::readBytes(folder / "f.wav");
    const auto at = bytes.find("fmt ");
    ASSERT_NE(at, std::string::npos);
    EXPECT_EQ(static_cast<unsigned char>(bytes[at + 4]), 40);
    EXPECT_EQ(static_cast<unsigned char>(bytes[at + 8 + 16]), 22);
    EXPECT_EQ(read(folder / "f.wav", 0)->facts.format, "WAV float");
}

TEST(Write, ARateBeyondAFormatsReachIsNamed) {
    const Folder folder;
    for (const auto& [name, rate, reason] :
         {std::tuple("x.ogg", 384000, "Ogg Vorbis reaches"), {"x.flac", 200001, "FLAC holds no rate"}}) {
        const auto r = write(folder / name, support::noise(0.1, rate), Depth::Int24, {}, base::Existing::Refuse);
        ASSERT_FALSE(r) << name;
        EXPECT_NE(r.error().text.find(reason), std::string::npos) << r.error().text;
    }
    EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

} // namespace
