#include "stretch/draft.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace stretch {

namespace {

constexpr double grainSeconds = 0.025;
constexpr double searchSeconds = 1.0 / 150;
constexpr double besideAttack = 0.02; // seconds after an attack that are copied as they are

class Draft {
  public:
    Draft(const Material& material, const TimeMap& map, const Settings& settings)
        : in_(material.audio), attacks_(material.attacks), map_(map),
          pitch_(settings.slices && settings.semitones == 0 ? 1 : std::exp2(settings.semitones / 12)),
          slices_(settings.slices), half_(std::max<std::int64_t>(8, std::llround(grainSeconds * in_.rate / 2))),
          search_(std::max<std::int64_t>(1, std::llround(searchSeconds * in_.rate))),
          step_(std::max<std::int64_t>(1, in_.rate / 6000)) {
        for (std::int64_t i = 0; i < 2 * half_; ++i)
            window_.push_back(static_cast<float>(
                0.5 - 0.5 * std::cos(std::numbers::pi * (static_cast<double>(i) + 0.5) / double(half_))));
    }

    Audio frames(std::int64_t from, std::int64_t to) const {
        Audio out(in_.rate, in_.channelCount(), Frames(to - from));
        const std::int64_t length = map_.outputLength().value;
        // Grains lie on a raster of their own, so that neighbouring drafts join; the search begins anew with each.
        std::int64_t k = from / half_ - 1;
        double before = map_.sourceAt(double((k - 1) * half_));
        for (; (k - 1) * half_ < std::min(to, length); ++k) {
            const double centre = sourceOf(k * half_, before);
            add(centre, k * half_, from, out);
            before = centre;
        }
        return out;
    }

  private:
    // The source frame that the grain's middle shows.
    double sourceOf(std::int64_t output, double before) const {
        const double wanted = map_.sourceAt(double(output));
        // Beside an attack it runs as recorded from there.
        const auto next = std::upper_bound(attacks_.begin(), attacks_.end(), wanted,
                                           [](double w, Frames a) { return w < double(a.value); });
        for (auto a = next; a != attacks_.begin() && next - a < 2; --a) {
            const std::int64_t attack = (a - 1)->value;
            const double lands = map_.outputAt(double(attack));
            const double after = double(output) - lands;
            if (after >= 0 && (slices_ || after < besideAttack * in_.rate)) return double(attack) + after * pitch_;
        }
        if (next != attacks_.end()) { // just before one, so that it is not heard twice
            const double lands = map_.outputAt(double(next->value));
            const double until = lands - double(output);
            if (until >= 0 && until < double(half_)) return double(next->value) - until * pitch_;
        }
        if (slices_) return wanted;
        const double natural = before + double(half_) * pitch_; // what would follow
        if (std::abs(natural - wanted) < 1) return natural;
        return alike(natural, wanted);
    }

    float at(std::int64_t frame) const {
        if (frame < 0 || frame >= in_.frames().value) return 0;
        float sum = 0;
        for (const auto& samples : in_.channels)
            sum += samples[static_cast<std::size_t>(frame)];
        return sum;
    }

    // The place near `wanted` that is most like the one at `natural`, by coarse samples.
    double alike(double natural, double wanted) const {
        const auto n = static_cast<std::size_t>(half_ / step_);
        std::vector<float> model(n);
        std::vector<float> field(n + static_cast<std::size_t>(2 * search_ / step_) + 1);
        const auto first = static_cast<std::int64_t>(natural) - half_ / 2;
        const auto begin = static_cast<std::int64_t>(wanted) - half_ / 2 - search_;
        for (std::size_t i = 0; i < n; ++i)
            model[i] = at(first + static_cast<std::int64_t>(i) * step_);
        for (std::size_t i = 0; i < field.size(); ++i)
            field[i] = at(begin + static_cast<std::int64_t>(i) * step_);
        double best = -1e300;
        std::size_t place = field.size() / 2;
        for (std::size_t lag = 0; lag + n <= field.size(); ++lag) {
            double product = 0;
            double energy = 1e-9;
            for (std::size_t i = 0; i < n; ++i) {
                product += double(model[i]) * double(field[lag + i]);
                energy += double(field[lag + i]) * double(field[lag + i]);
            }
            const double likeness = product / std::sqrt(energy);
            if (likeness > best) {
                best = likeness;
                place = lag;
            }
        }
        const std::int64_t middle = half_ / 2;
        return double(begin + static_cast<std::int64_t>(place) * step_ + middle);
    }

    void add(double centre, std::int64_t output, std::int64_t from, Audio& out) const {
        const std::int64_t end = from + out.frames().value;
        for (std::int64_t i = 0; i < 2 * half_; ++i) {
            const std::int64_t f = output - half_ + i;
            if (f < from || f >= end || f < 0) continue;
            const double place = centre + double(i - half_) * pitch_;
            const double whole = std::floor(place);
            const auto frame = static_cast<std::int64_t>(whole);
            if (frame < 0 || frame + 1 >= in_.frames().value) continue;
            const auto part = static_cast<float>(place - whole);
            for (std::size_t c = 0; c < out.channels.size(); ++c) {
                const float a = in_.channels[c][static_cast<std::size_t>(frame)];
                const float b = in_.channels[c][static_cast<std::size_t>(frame) + 1];
                out.channels[c][static_cast<std::size_t>(f - from)] +=
                    window_[static_cast<std::size_t>(i)] * (a + part * (b - a));
            }
        }
    }

    const Audio& in_;
    const std::vector<Frames>& attacks_;
    const TimeMap& map_;
    double pitch_;
    bool slices_;
    std::int64_t half_;   // frames of half a grain
    std::int64_t search_; // frames, either way
    std::int64_t step_;   // frames from one coarse sample to the next
    std::vector<float> window_;
};

} // namespace

Audio draft(const Material& material, const TimeMap& map, const Settings& settings, Frames from, Frames to) {
    Settings asked = settings;
    // On tape the pitch goes with the speed.
    if (entryOf(settings.method).pitchFollows && !settings.slices)
        asked.semitones -= 12 * std::log2(map.meanRatio());
    return Draft(material, map, asked).frames(from.value, to.value);
}

} // namespace stretch
