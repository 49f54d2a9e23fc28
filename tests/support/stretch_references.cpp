#include "support/stretch_references.h"

#include "sound/read.h"
#include "sound/write.h"

#include <SoundTouch.h>
#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <filesystem>
#include <fmt/format.h>
#include <rubberband/RubberBandStretcher.h>
#include <unistd.h>

namespace reference {

using sound::Audio;
using sound::Frames;

Audio rubberband(const Audio& a, double ratio, Engine engine, double semitones) {
    using R = RubberBand::RubberBandStretcher;
    R r(static_cast<std::size_t>(a.rate), a.channels.size(),
        R::OptionProcessOffline | R::OptionThreadingNever |
            (engine == Engine::Finer ? R::OptionEngineFiner : R::OptionEngineFaster) | R::OptionChannelsTogether,
        ratio, std::exp2(semitones / 12));
    const auto n = static_cast<std::size_t>(a.frames().value);
    std::vector<const float*> in;
    for (const auto& samples : a.channels)
        in.push_back(samples.data());
    r.setExpectedInputDuration(n);
    r.setMaxProcessSize(4096);
    r.study(in.data(), n, true);
    Audio out(a.rate, a.channelCount(), Frames(0));
    for (std::size_t at = 0; at < n; at += 4096) {
        std::vector<const float*> part;
        for (const float* samples : in)
            part.push_back(samples + at);
        const std::size_t count = std::min<std::size_t>(4096, n - at);
        r.process(part.data(), count, at + count == n);
        while (r.available() > 0) {
            const auto got = static_cast<std::size_t>(r.available());
            std::vector<float*> to;
            for (auto& samples : out.channels) {
                samples.resize(samples.size() + got);
                to.push_back(samples.data() + samples.size() - got);
            }
            r.retrieve(to.data(), got);
        }
    }
    return out;
}

Audio soundTouch(const Audio& a, double ratio, double semitones) {
    soundtouch::SoundTouch st;
    const auto channels = a.channels.size();
    st.setSampleRate(static_cast<unsigned>(a.rate));
    st.setChannels(static_cast<unsigned>(channels));
    st.setTempo(1 / ratio);
    st.setPitchSemiTones(semitones);
    Audio out(a.rate, a.channelCount(), Frames(0));
    constexpr std::int64_t most = 8192;
    std::vector<float> block(channels * static_cast<std::size_t>(most));
    const auto take = [&] {
        for (unsigned got = 0; (got = st.receiveSamples(block.data(), static_cast<unsigned>(most))) > 0;)
            for (std::size_t c = 0; c < channels; ++c)
                for (std::size_t i = 0; i < got; ++i)
                    out.channels[c].push_back(block[i * channels + c]);
    };
    for (std::int64_t at = 0; at < a.frames().value; at += most) {
        const std::int64_t n = std::min(most, a.frames().value - at);
        for (std::size_t c = 0; c < channels; ++c)
            for (std::int64_t i = 0; i < n; ++i)
                block[static_cast<std::size_t>(i) * channels + c] = a.channels[c][static_cast<std::size_t>(at + i)];
        st.putSamples(block.data(), static_cast<unsigned>(n));
        take();
    }
    st.flush();
    take();
    return out;
}

std::optional<Audio> sox(const Audio& a, double ratio) {
    static const bool installed = std::system("command -v sox >/dev/null 2>&1") == 0;
    if (!installed) return std::nullopt;
    const auto folder = std::filesystem::temp_directory_path() / fmt::format("stretch-reference-{}", getpid());
    std::filesystem::create_directories(folder);
    const std::string from = (folder / "from.wav").string();
    const std::string to = (folder / "to.wav").string();
    std::optional<Audio> out;
    if (sound::write(from, a, sound::Depth::Float32, {}, base::Existing::Replace)) {
        const auto command =
            fmt::format("sox -V1 -D '{}' -e floating-point -b 32 '{}' tempo -m {:.9f}", from, to, 1 / ratio);
        if (std::system(command.c_str()) == 0)
            if (auto read = sound::read(to, 0)) out = std::move(read->audio);
    }
    std::filesystem::remove_all(folder);
    return out;
}

} // namespace reference
