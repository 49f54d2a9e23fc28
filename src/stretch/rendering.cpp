#include "sound/scratch.h"
#include "stretch/blend.h"
#include "stretch/held.h"
#include "stretch/loop.h"
#include "stretch/method.h"
#include "stretch/quiet.h"
#include "stretch/slices.h"
#include "stretch/struck.h"
#include "stretch/sung.h"
#include "stretch/tape.h"
#include "stretch/transposed.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <new>

namespace stretch {

namespace {

constexpr const char* tooLittleMemory = "There is not enough memory to stretch this.";

// The material as it is.
class Copied : public Line {
  public:
    explicit Copied(Passage passage) : passage_(std::move(passage)) {}

    std::vector<std::int64_t> cuts() const override { return {}; }
    Result<Audio> piece(Span span, const Progress& progress) const override {
        if (progress.stopped()) return base::cancelled();
        const Audio& in = *passage_.in.audio;
        Audio out(in.rate, in.channelCount(), Frames(span.length()));
        const std::int64_t lag = passage_.map.points().front().source.value;
        for (std::size_t c = 0; c < out.channels.size(); ++c)
            passage_.in.copy(c, {span.from + lag, span.to + lag}, out.channels[c].data());
        return out;
    }

  private:
    const Passage passage_;
};

std::unique_ptr<Line> lineOf(Passage passage, Method method, double formantsAgainst) {
    switch (method) {
    case Method::Held:
        return heldLine(std::move(passage), formantsAgainst);
    case Method::Blend:
        return blendLine(std::move(passage), formantsAgainst);
    case Method::Sung:
        return sungLine(std::move(passage), formantsAgainst);
    case Method::Tape:
        return tapeLine(std::move(passage));
    case Method::Struck:
        break;
    }
    // The splices know nothing of formants.
    return formantsAgainst == 1 ? struckLine(std::move(passage)) : sungLine(std::move(passage), formantsAgainst);
}

Result<Passage> passageOf(const Material& material, const TimeMap& map, bool loop) {
    if (loop) return circleOf(material, map);
    Passage passage{nullptr, {&material.audio, 0}, material.attacks, map, 0, map.outputLength().value, false, {}};
    if (material.strikes != nullptr) passage.strikes = *material.strikes;
    passage.known = material.known;
    passage.parts = material.parts;
    return passage;
}

// Stretched by the factor that the pitch is to rise, then played that much faster. On tape the speed of the map is
// part of that playing; before it, only what transposition needs is stretched.
Result<std::unique_ptr<Line>> transposedLine(const Material& material, const TimeMap& map,
                                             const Settings& settings) {
    const double factor = std::exp2(settings.semitones / 12);
    const bool tape = entryOf(settings.method).pitchFollows && !settings.slices;
    std::vector<metre::TimePoint> longer;
    std::vector<metre::TimePoint> back;
    longer.reserve(map.points().size());
    back.reserve(map.points().size());
    for (const metre::TimePoint& p : map.points()) {
        const auto time = tape ? (p.source - map.points().front().source).value : p.output.value;
        const Frames at(std::llround(double(time) * factor));
        const bool last = p == map.points().back();
        // Points that fall together are one; of the ends, each stays.
        while (longer.size() > 1 && last && at <= longer.back().output) {
            longer.pop_back();
            back.pop_back();
        }
        if (!longer.empty() && at <= longer.back().output && !last) continue;
        const Frames apart = longer.empty() ? at : std::max(at, longer.back().output + Frames(1));
        longer.push_back({p.source, apart});
        back.push_back({apart, p.output});
    }
    const auto longMap = TimeMap::make(std::move(longer), widestRatio);
    auto backMap = TimeMap::make(std::move(back), widestRatio);
    if (!longMap || !backMap)
        return base::problem("Stretch and transposition together go beyond what can be done. " +
                             (longMap ? backMap : longMap).error().text);
    auto passage = passageOf(material, *longMap, settings.loop);
    if (!passage) return tl::unexpected(passage.error());
    auto line = settings.slices ? slicesLine(std::move(*passage))
                                : lineOf(std::move(*passage), tape ? settings.underTape : settings.method,
                                         settings.formants && !tape ? factor : 1);
    return playedFaster(std::move(line), longMap->outputLength().value, settings.loop, material.audio.rate,
                        std::move(*backMap));
}

bool isFinite(const Audio& audio) {
    return std::all_of(audio.channels.begin(), audio.channels.end(), [](const sound::Samples& samples) {
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

struct Rendering::Plan {
    sound::AudioPtr audible; // the material without what is no number
    std::unique_ptr<Line> line;
    std::int64_t length = 0;
    int rate = 0;
    int channels = 0;
};

Rendering::Rendering(std::unique_ptr<const Plan> plan) : plan_(std::move(plan)) {}
Rendering::~Rendering() = default;
Rendering::Rendering(Rendering&&) noexcept = default;
Rendering& Rendering::operator=(Rendering&&) noexcept = default;

Frames Rendering::length() const {
    return Frames(plan_->length);
}

std::vector<Frames> Rendering::cuts() const {
    std::vector<Frames> list;
    for (const std::int64_t cut : plan_->line->cuts())
        list.emplace_back(cut);
    return list;
}

namespace {

// Why a result of so many frames is not to be had.
std::optional<base::Problem> tooLong(std::int64_t length, int channels, int rate) {
    const double bytes = double(length) * channels * sizeof(float);
    if (bytes <= double(greatestBytes)) return std::nullopt;
    return base::Problem{fmt::format("The result would be {:.0f} minutes long and need {:.0f} GB of memory.",
                                     double(length) / rate / 60, bytes / 1e9)};
}

} // namespace

Result<Rendering> Rendering::plan(const Material& material, const TimeMap& map, const Settings& settings) {
    if (!std::isfinite(settings.semitones) || std::abs(settings.semitones) > 24)
        return base::problem("A transposition lies between −24 and 24 semitones.");
    if (material.audio.channels.empty() || material.audio.frames().value == 0)
        return base::problem("There is no sound to stretch.");
    const double hours = double(map.outputLength().value) / material.audio.rate / 3600;
    if (hours > greatestHours)
        return base::problem(
            fmt::format("The result would be {:.0f} hours long; {} can be done.", hours, greatestHours));
    const std::int64_t turn = (map.points().back().source - map.points().front().source).value;
    if (settings.loop)
        if (auto problem = tooLong(turn, material.audio.channelCount(), material.audio.rate))
            return tl::unexpected(std::move(*problem));
    try {
        auto plan = std::make_unique<Plan>();
        plan->length = map.outputLength().value;
        plan->rate = material.audio.rate;
        plan->channels = material.audio.channelCount();
        if (!material.allNumbers && !isFinite(material.audio))
            plan->audible = sound::setAside(withoutNonNumbers(material.audio));
        if (settings.quiet)
            plan->audible = sound::setAside(quieted(plan->audible ? *plan->audible : material.audio));
        const Material audible{plan->audible ? *plan->audible : material.audio,
                               material.attacks,
                               true,
                               material.strikes,
                               plan->audible ? nullptr : material.known,
                               plan->audible ? nullptr : material.parts};
        if (map.isIdentity() && settings.semitones == 0) {
            plan->line = std::make_unique<Copied>(*passageOf(audible, map, false));
        } else if (settings.semitones == 0) {
            auto passage = passageOf(audible, map, settings.loop);
            if (!passage) return tl::unexpected(passage.error());
            plan->line =
                settings.slices ? slicesLine(std::move(*passage)) : lineOf(std::move(*passage), settings.method, 1);
        } else {
            auto line = transposedLine(audible, map, settings);
            if (!line) return tl::unexpected(line.error());
            plan->line = std::move(*line);
        }
        return Rendering(std::move(plan));
    } catch (const std::bad_alloc&) {
        return base::problem(tooLittleMemory);
    }
}

Result<Audio> Rendering::piece(Frames from, Frames to, const Progress& progress) const {
    if (progress.stopped()) return base::cancelled();
    try {
        return plan_->line->piece({from.value, to.value}, progress);
    } catch (const std::bad_alloc&) {
        return base::problem(tooLittleMemory);
    }
}

Result<Audio> Rendering::whole(const Progress& progress) const {
    if (auto problem = tooLong(plan_->length, plan_->channels, plan_->rate))
        return tl::unexpected(std::move(*problem));
    return piece(Frames(0), length(), progress);
}

Result<Audio> render(const Material& material, const TimeMap& map, const Settings& settings,
                     const Progress& progress) {
    if (progress.stopped()) return base::cancelled();
    if (auto problem =
            tooLong(map.outputLength().value, material.audio.channelCount(), std::max(1, material.audio.rate)))
        return tl::unexpected(std::move(*problem));
    const auto rendering = Rendering::plan(material, map, settings);
    if (!rendering) return tl::unexpected(rendering.error());
    return rendering->whole(progress);
}

} // namespace stretch
