#include "hear/onsets.h"

#include "hear/bands.h"
#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <future>
#include <numbers>
#include <optional>
#include <span>

namespace hear {

namespace {

constexpr std::size_t window = 1024; // 23 ms
constexpr std::size_t hop = window / 4;

// The flux of some hops; hop h looks at the window centred on frame h × hop.
void spectralFlux(const Recording& recording, std::size_t first, std::span<float> flux,
                  const base::Progress& progress) {
    const std::vector<Band> bands =
        semitoneBands(Recording::rate, window, 40, std::min(16000.0, Recording::rate * 0.48));
    sound::RealFft fft(window);
    const std::vector<float> shape = hannWindow(window);
    // The logarithm below must not depend on how loud the file is.
    const float gain = 1.0F / std::max(recording.peak(), 1e-9F);

    constexpr std::size_t lag = 2;
    std::vector<std::vector<float>> history(lag + 1, std::vector<float>(bands.size(), 0.0F));
    std::vector<float> magnitude(fft.bins());
    std::vector<float> piece(window + std::min<std::size_t>(65536, flux.size() * hop));
    std::int64_t from = 0;
    const std::size_t begin = first - std::min(first, lag);
    for (std::size_t h = begin; h < first + flux.size(); ++h) {
        if (h % 64 == 0) {
            if (progress.stopped()) return;
            progress.at(double(h - begin) / double(flux.size()));
        }
        const auto start = static_cast<std::int64_t>(h * hop) - static_cast<std::int64_t>(window / 2);
        if (h == begin ||
            start + static_cast<std::int64_t>(window) > from + static_cast<std::int64_t>(piece.size())) {
            from = start;
            recording.read(from, piece);
        }
        const float* x = piece.data() + (start - from);
        auto time = fft.time();
        for (std::size_t i = 0; i < window; ++i)
            time[i] = x[i] * shape[i] * gain;
        fft.forward();
        const auto spectrum = fft.spectrum();
        for (std::size_t b = 0; b < magnitude.size(); ++b)
            magnitude[b] = std::sqrt(std::norm(spectrum[b]));
        std::vector<float>& now = history[h % (lag + 1)];
        bandLevels(bands, magnitude, 2, now);
        if (h < std::max<std::size_t>(1, first)) continue;
        const std::vector<float>& then = history[(h + 1) % (lag + 1)]; // `lag` hops ago
        float rise = 0;
        for (std::size_t b = 0; b < bands.size(); ++b) {
            float before = then[b];
            if (b > 0) before = std::max(before, then[b - 1]);
            if (b + 1 < bands.size()) before = std::max(before, then[b + 1]);
            rise += std::max(0.0F, now[b] - before);
        }
        flux[h - first] = rise / static_cast<float>(bands.size());
    }
}

// The flux of every hop. A long recording is looked at from two places at once.
std::vector<float> spectralFlux(const Recording& recording, const base::Progress& progress) {
    constexpr std::size_t isLong = std::size_t(20) * Recording::rate / hop;
    const std::size_t hops = static_cast<std::size_t>(recording.frames()) / hop + 1;
    std::vector<float> flux(hops, 0.0F);
    if (hops < isLong) {
        spectralFlux(recording, 0, flux, progress);
        return flux;
    }
    const std::span<float> all(flux);
    const std::size_t half = hops / 2;
    const auto later = std::async(std::launch::async, [&] {
        spectralFlux(recording, half, all.subspan(half), {{}, progress.stop});
    });
    spectralFlux(recording, 0, all.first(half), progress);
    return flux;
}

// Moves a coarse onset to the first frame of its attack: within the surroundings, the steepest rise of the
// short-time peak level, then back to where the rise leaves what was there before.
// `read(first, out)` gives mono samples; within `reachSeconds` either way.
template <class Read>
std::int64_t refined(const Read& read, std::int64_t frames, int rate, std::int64_t coarse, std::int64_t earliest,
                     double reachSeconds) {
    const auto reach = static_cast<std::int64_t>(reachSeconds * rate);
    const auto cell = std::max<std::int64_t>(1, rate / 4000); // a quarter of a millisecond
    // What was there before is heard over so many cells, also before the first place that comes into question:
    // judged by a few cells alone, the loud part of any low note's cycle would be a rise.
    constexpr std::int64_t behind = 56; // 14 ms: a cycle of the lowest usual notes
    const std::int64_t firstPlace = std::max<std::int64_t>(earliest, coarse - reach);
    const std::int64_t from = std::max<std::int64_t>(0, firstPlace - behind * cell);
    const std::int64_t to = std::min<std::int64_t>(frames, coarse + reach);
    const std::int64_t cells = (to - from) / cell;
    if (cells < 4) return std::clamp<std::int64_t>(coarse, 0, frames - 1);
    std::vector<float> near(static_cast<std::size_t>(to - from + 1));
    read(from - 1, near);
    const auto sample = [&](std::int64_t i) { return near[static_cast<std::size_t>(i - from + 1)]; };
    // A first difference stands for a high pass: attacks are bright, what rings on is dark.
    std::vector<float> level(static_cast<std::size_t>(cells), 0.0F);
    for (std::int64_t c = 0; c < cells; ++c)
        for (std::int64_t i = from + c * cell; i < from + (c + 1) * cell; ++i) {
            const float before = sample(i - 1);
            const float here = sample(i);
            auto& l = level[static_cast<std::size_t>(c)];
            l = std::max(l, std::abs(here - before) + 0.25F * std::abs(here));
        }
    const std::int64_t ahead = std::min<std::int64_t>(12, cells - 1); // 3 ms
    const auto greatest = [&](std::int64_t first, std::int64_t end) {
        return first < end ? *std::max_element(level.begin() + first, level.begin() + end) : 0.0F;
    };
    const auto rise = [](float peak, float floor) {
        return std::log((peak + 1e-5) / (floor + 1e-5)) + 0.5 * double(peak - floor);
    };
    std::int64_t best = 0;
    double bestRise = -1;
    // A recording may begin with an attack: before its first frame there is silence.
    for (std::int64_t c = from == 0 ? (firstPlace - from) / cell : behind; c + ahead <= cells; ++c) {
        const float peak = greatest(c, c + ahead);
        // The moment before is part of what was there before: mostly that says enough.
        if (c > 0 && rise(peak, level[static_cast<std::size_t>(c - 1)]) <= bestRise) continue;
        if (const double r = rise(peak, greatest(std::max<std::int64_t>(0, c - behind), c)); r > bestRise) {
            bestRise = r;
            best = c;
        }
    }
    const float peak = greatest(best, std::min(cells, best + ahead));
    const float floor = greatest(std::max<std::int64_t>(0, best - behind), best);
    const float threshold = floor + 0.12F * std::max(0.0F, peak - floor);
    std::int64_t at = best;
    while (at < cells - 1 && level[static_cast<std::size_t>(at)] <= threshold)
        ++at;
    // Within the cell, the first frame over the threshold.
    for (std::int64_t i = from + at * cell; i < from + (at + 1) * cell; ++i) {
        const float before = sample(i - 1);
        const float here = sample(i);
        if (std::abs(here - before) + 0.25F * std::abs(here) > threshold) return i;
    }
    return from + at * cell;
}

// Strokes beside others, which the spectrum does not show by themselves: a grace note before a main stroke, the
// main stroke right after it, a ghost note between. In the waveform each stands out of all that sounded just before
// it.
class Neighbours {
  public:
    Neighbours(const Recording& recording, const std::vector<float>& flux, float least)
        : recording_(recording), flux_(flux), least_(least) {}

    // Some of the onsets, with those that were found beside them, in order. Each strength is a share of `greatest`.
    std::vector<Onset> with(const std::vector<Onset>& found, std::size_t first, std::size_t end, float greatest) {
        std::vector<Onset> all;
        const auto main = [&](std::size_t i) {
            const std::int64_t here = found[i].at.value;
            const std::int64_t after = i + 1 < found.size() ? found[i + 1].at.value : recording_.frames();
            return stroke(here + nearest, std::min(here + farthest, after - nearest));
        };
        std::int64_t before = -nearest;
        if (first > 0) before = main(first - 1).value_or(found[first - 1].at.value);
        for (std::size_t i = first; i < end; ++i) {
            const std::int64_t here = found[i].at.value;
            const auto grace = stroke(std::max(here - farthest, before + nearest), here - nearest);
            if (grace) all.push_back({Frames(*grace), strengthAt(*grace) / double(greatest)});
            all.push_back(found[i]);
            const auto later = main(i);
            if (later) all.push_back({Frames(*later), strengthAt(*later) / double(greatest)});
            before = all.back().at.value;
        }
        return all;
    }

  private:
    static constexpr std::int64_t cell = Recording::rate / 4000; // a quarter of a millisecond
    static constexpr std::int64_t nearest = cell * 48;           // 12 ms: closer ones are one stroke
    static constexpr std::int64_t farthest = cell * 800;         // 200 ms
    static constexpr std::int64_t behind = cell * 112;           // 28 ms: a cycle of the lowest notes
    static constexpr std::int64_t ahead = cell * 12;             // 3 ms
    static constexpr float standsOut = 2;                        // times what was there before
    static constexpr float quietest = 0.03F;                     // of the recording's peak

    float strengthAt(std::int64_t frame) const {
        const auto h = std::min(flux_.size() - 1, static_cast<std::size_t>(std::max<std::int64_t>(0, frame)) / hop);
        float most = flux_[h];
        for (std::size_t k = h; k < std::min(flux_.size(), h + 4); ++k)
            most = std::max(most, flux_[k]);
        return most;
    }

    float greatestOf(std::size_t from, std::size_t to) const {
        return *std::max_element(level_.begin() + static_cast<std::ptrdiff_t>(from),
                                 level_.begin() + static_cast<std::ptrdiff_t>(to));
    }

    // The frame from `from` to `to` at which a stroke begins, if one does.
    std::optional<std::int64_t> stroke(std::int64_t from, std::int64_t to) {
        if (from < 0 || to > recording_.frames() - ahead || to - from < cell) return std::nullopt;
        near_.resize(static_cast<std::size_t>(to - from + behind + ahead + 1));
        recording_.read(from - behind - 1, near_);
        // A first difference stands for a high pass, as above.
        bright_.resize(near_.size() - 1);
        for (std::size_t i = 0; i < bright_.size(); ++i)
            bright_[i] = std::abs(near_[i + 1] - near_[i]) + 0.25F * std::abs(near_[i + 1]);
        level_.assign(near_.size() / static_cast<std::size_t>(cell), 0.0F);
        for (std::size_t c = 0; c < level_.size(); ++c)
            for (std::size_t i = c * cell; i < std::min((c + 1) * cell, bright_.size()); ++i)
                level_[c] = std::max(level_[c], bright_[i]);
        constexpr auto back = static_cast<std::size_t>(behind / cell);
        constexpr auto on = static_cast<std::size_t>(ahead / cell);
        float most = standsOut;
        std::optional<std::size_t> best;
        float peak = back + on <= level_.size() ? greatestOf(back, back + on) : 0;
        for (std::size_t c = back; c + on <= level_.size(); ++c) {
            // The greatest of the next few, looked for anew only where it has just been left behind.
            if (c > back) peak = level_[c - 1] < peak ? std::max(peak, level_[c + on - 1]) : greatestOf(c, c + on);
            // What was there a moment before is part of what was there before: mostly that says enough.
            if (peak < quietest * recording_.peak() || peak <= most * (level_[c - 1] + 1e-5F)) continue;
            const float floor = greatestOf(c - back, c);
            if (peak <= most * (floor + 1e-5F)) continue;
            most = peak / (floor + 1e-5F);
            best = c;
        }
        if (!best) return std::nullopt;
        // The first cell of the rise.
        const float floor = greatestOf(*best - back, *best);
        peak = greatestOf(*best, *best + on);
        std::size_t c = *best;
        while (c + 1 < *best + on && level_[c] <= floor + 0.12F * (peak - floor))
            ++c;
        const std::int64_t at = from - behind + static_cast<std::int64_t>(c) * cell;
        if (at < from || at >= to || 2 * strengthAt(at) < least_) return std::nullopt;
        return at;
    }

    const Recording& recording_;
    const std::vector<float>& flux_;
    float least_; // of the flux
    std::vector<float> near_;
    std::vector<float> bright_;
    std::vector<float> level_;
};

} // namespace

std::vector<Onset> onsets(const Recording& recording, double sensitivity, const base::Progress& progress) {
    std::vector<Onset> found;
    if (recording.frames() < 64) return found;
    const std::vector<float> flux = spectralFlux(recording, progress);
    const float greatest = *std::max_element(flux.begin(), flux.end());
    if (greatest < 1e-4F) return found;

    const auto hopsIn = [&](double seconds) {
        return std::max<std::int64_t>(1, std::llround(seconds * Recording::rate / double(hop)));
    };
    const std::int64_t reach = hopsIn(0.03);
    const std::int64_t around = hopsIn(0.10);
    const std::int64_t apart = hopsIn(0.04);
    const double margin = greatest * (0.16 - 0.12 * std::clamp(sensitivity, 0.0, 1.0));
    const auto hops = static_cast<std::int64_t>(flux.size());
    std::int64_t last = -apart;
    for (std::int64_t h = 0; h < hops; ++h) {
        const float here = flux[static_cast<std::size_t>(h)];
        float highest = 0;
        double sum = 0;
        std::int64_t count = 0;
        for (std::int64_t k = std::max<std::int64_t>(0, h - around); k <= std::min(hops - 1, h + reach); ++k) {
            sum += flux[static_cast<std::size_t>(k)];
            ++count;
            if (k >= h - reach) highest = std::max(highest, flux[static_cast<std::size_t>(k)]);
        }
        if (here < highest || here < sum / double(count) + margin || h - last < apart) continue;
        last = h;
        const std::int64_t coarse = h * static_cast<std::int64_t>(hop);
        const std::int64_t earliest =
            found.empty() ? 0 : found.back().at.value + static_cast<std::int64_t>(0.02 * Recording::rate);
        const std::int64_t at =
            refined([&](std::int64_t first, std::span<float> out) { recording.read(first, out); },
                    recording.frames(), Recording::rate, coarse, earliest, 0.025);
        if (!found.empty() && at <= found.back().at.value) continue;
        found.push_back({Frames(at), double(here) / greatest});
    }
    if (progress.stopped()) return found;
    const auto some = [&](std::size_t first, std::size_t end) {
        return Neighbours(recording, flux, static_cast<float>(margin)).with(found, first, end, greatest);
    };
    constexpr std::size_t many = 64; // onsets: fewer are not worth a thread
    if (found.size() < many) return some(0, found.size());
    auto later = std::async(std::launch::async, some, found.size() / 2, found.size());
    std::vector<Onset> all = some(0, found.size() / 2);
    const std::vector<Onset> rest = later.get();
    all.insert(all.end(), rest.begin(), rest.end());
    return all;
}

std::vector<Onset> onsets(const sound::Audio& audio, double sensitivity, const base::Progress& progress) {
    const auto recording = Recording::of(audio);
    return recording ? refinedIn(audio, onsets(*recording, sensitivity, progress)) : std::vector<Onset>();
}

std::vector<Onset> refinedIn(const sound::Audio& audio, const std::vector<Onset>& heard) {
    if (audio.rate == Recording::rate) return heard;
    const std::int64_t frames = audio.frames().value;
    const auto read = [&](std::int64_t first, std::span<float> out) {
        for (std::size_t i = 0; i < out.size(); ++i) {
            const std::int64_t at = first + static_cast<std::int64_t>(i);
            out[i] = 0;
            if (at >= 0 && at < frames)
                for (const auto& channel : audio.channels)
                    out[i] += channel[static_cast<std::size_t>(at)];
        }
    };
    std::vector<Onset> found;
    for (const Onset& o : atRate(heard, Recording::rate, audio.rate)) {
        const std::int64_t earliest =
            found.empty() ? 0 : found.back().at.value + static_cast<std::int64_t>(0.02 * audio.rate);
        const std::int64_t at = refined(read, frames, audio.rate, o.at.value, earliest, 0.010);
        if (found.empty() || at > found.back().at.value) found.push_back({Frames(at), o.strength});
    }
    return found;
}

std::vector<Onset> atRate(std::vector<Onset> onsets, int fromRate, int toRate) {
    if (fromRate != toRate)
        for (Onset& o : onsets)
            o.at = Frames(std::llround(double(o.at.value) * toRate / fromRate));
    return onsets;
}

} // namespace hear
