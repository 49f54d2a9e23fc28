#include "stretch/method.h"

#include "stretch/blend.h"
#include "stretch/held.h"
#include "stretch/loop.h"
#include "stretch/struck.h"
#include "stretch/sung.h"
#include "stretch/tape.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <new>

namespace stretch {

namespace {

struct Words {
    const char* label;
    const char* word;
    const char* plain;
    const char* purpose;
};

constexpr std::array<Words, 5> words = {{
    {"Struck", "struck", "drums", "Drums, percussion, plucked rhythm: every attack stays as it was played"},
    {"Held", "held", "tonal", "Pads, chords, drones: long tones stay smooth"},
    {"Blend", "blend", "mix", "Full mixes: tones and attacks each in their own way"},
    {"Sung", "sung", "voice", "A voice or one instrument: its colour stays"},
    {"Tape", "tape", "tape", "Pitch follows speed, as on tape"},
}};

const Words& wordsOf(Method m) {
    return words[static_cast<std::size_t>(m)];
}

Result<Audio> renderPlain(const Material& material, const TimeMap& map, Method method, double formantsAgainst,
                          const Progress& progress) {
    if (map.isIdentity() && formantsAgainst == 1) {
        const Audio& in = material.audio;
        Audio out(in.rate, in.channelCount(), map.outputLength());
        const std::int64_t from = map.points().front().source.value;
        const std::int64_t begin = std::max<std::int64_t>(0, -from);
        const std::int64_t end = std::min(map.outputLength().value, in.frames().value - from);
        for (std::size_t c = 0; c < in.channels.size(); ++c)
            if (end > begin)
                std::copy(in.channels[c].begin() + from + begin, in.channels[c].begin() + from + end,
                          out.channels[c].begin() + begin);
        return out;
    }
    switch (method) {
    case Method::Held:
        return renderHeld(material, map, formantsAgainst, progress);
    case Method::Blend:
        return renderBlend(material, map, formantsAgainst, progress);
    case Method::Sung:
        return renderSung(material, map, formantsAgainst, progress);
    case Method::Tape:
        return renderTape(material, map, progress);
    case Method::Struck:
        break;
    }
    // The splices know nothing of formants.
    return formantsAgainst == 1 ? renderStruck(material, map, progress)
                                : renderSung(material, map, formantsAgainst, progress);
}

// Transposing without changing time: stretch by the factor that the pitch is to rise, then play that much faster.
Result<Audio> renderTransposed(const Material& material, const TimeMap& map, const Settings& settings,
                               const Progress& progress) {
    const double factor = std::exp2(settings.semitones / 12);
    if (settings.method == Method::Tape || factor == 1.0)
        return renderPlain(material, map, settings.method, 1, progress);
    std::vector<metre::TimePoint> longer;
    for (const metre::TimePoint& p : map.points())
        longer.push_back({p.source, Frames(std::llround(double(p.output.value) * factor))});
    const auto longMap = TimeMap::make(longer);
    if (!longMap)
        return metre::problem("Stretch and transposition together go beyond what can be done. " +
                              longMap.error().text);
    auto stretched =
        renderPlain(material, *longMap, settings.method, settings.formants ? factor : 1, progress.part(0, 0.6));
    if (!stretched) return stretched;
    std::vector<metre::TimePoint> back;
    for (std::size_t i = 0; i < longer.size(); ++i)
        back.push_back({longer[i].output, map.points()[i].output});
    const auto backMap = TimeMap::make(back);
    if (!backMap) return tl::unexpected(backMap.error());
    const std::vector<Frames> none;
    return renderTape({*stretched, none}, *backMap, progress.part(0.6, 1.0));
}

bool isFinite(const Audio& audio) {
    return std::all_of(audio.channels.begin(), audio.channels.end(), [](const std::vector<float>& samples) {
        return std::all_of(samples.begin(), samples.end(), [](float s) { return std::isfinite(s); });
    });
}

Audio withoutNonNumbers(Audio audio) {
    for (auto& samples : audio.channels)
        for (float& s : samples)
            if (!std::isfinite(s)) s = 0;
    return audio;
}

} // namespace

Result<Audio> render(const Material& material, const TimeMap& map, const Settings& settings,
                     const Progress& progress) {
    if (!std::isfinite(settings.semitones) || std::abs(settings.semitones) > 24)
        return metre::problem("A transposition lies between −24 and 24 semitones.");
    if (material.audio.channels.empty() || material.audio.frames().value == 0)
        return metre::problem("There is no sound to stretch.");
    const double bytes = double(map.outputLength().value) * material.audio.channelCount() * sizeof(float);
    if (bytes > 8.0 * (std::int64_t(1) << 30))
        return metre::problem(fmt::format("The result would be {:.0f} minutes long and need {:.0f} GB of memory.",
                                          double(map.outputLength().value) / material.audio.rate / 60,
                                          bytes / 1e9));
    if (progress.stopped()) return metre::cancelled();
    try {
        if (!isFinite(material.audio)) {
            const Audio audible = withoutNonNumbers(material.audio);
            return render({audible, material.attacks}, map, settings, progress);
        }
        const bool plainIdentity = map.isIdentity() && settings.semitones == 0;
        if (!settings.loop || plainIdentity) return renderTransposed(material, map, settings, progress);
        const bool spliced = settings.method == Method::Struck || settings.method == Method::Tape;
        return renderCircle(material, map, spliced ? 0.01 : 0.08,
                            [&](const Material& unrolled, const TimeMap& longer) {
                                return renderTransposed(unrolled, longer, settings, progress);
                            });
    } catch (const std::bad_alloc&) {
        return metre::problem("There is not enough memory to stretch this.");
    }
}

const std::vector<Method>& methods() {
    static const std::vector<Method> all = {Method::Struck, Method::Held, Method::Blend, Method::Sung,
                                            Method::Tape};
    return all;
}

const char* methodLabel(Method m) {
    return wordsOf(m).label;
}
const char* methodWord(Method m) {
    return wordsOf(m).word;
}
const char* methodPurpose(Method m) {
    return wordsOf(m).purpose;
}

std::optional<Method> methodFromWord(const std::string& word) {
    for (std::size_t i = 0; i < words.size(); ++i)
        if (word == words[i].word || word == words[i].plain) return static_cast<Method>(i);
    return std::nullopt;
}

} // namespace stretch
