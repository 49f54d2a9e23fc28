#include "stretch/splice.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>

namespace stretch {

namespace {

struct Products {
    double ab = 0;
    double aa = 0;
    double bb = 0;
};

// Products over n samples from a and from b; parts outside the samples are silent.
void add(Products& sums, const sound::Samples& samples, std::int64_t a, std::int64_t b, std::int64_t n) {
    const auto size = static_cast<std::int64_t>(samples.size());
    const auto at = [&](std::int64_t i) {
        return i >= 0 && i < size ? samples[static_cast<std::size_t>(i)] : 0.0F;
    };
    if (a >= 0 && b >= 0 && a + n <= size && b + n <= size) {
        // Eight sums side by side, so that the processor can work on eight samples at once.
        constexpr std::int64_t lanes = 32;
        std::array<float, lanes> ab{};
        std::array<float, lanes> aa{};
        std::array<float, lanes> bb{};
        const float* x = samples.data() + a;
        const float* y = samples.data() + b;
        std::int64_t i = 0;
        for (; i + lanes <= n; i += lanes)
            for (std::size_t k = 0; k < lanes; ++k) {
                const float p = x[i + static_cast<std::int64_t>(k)];
                const float q = y[i + static_cast<std::int64_t>(k)];
                ab[k] += p * q;
                aa[k] += p * p;
                bb[k] += q * q;
            }
        for (; i < n; ++i) {
            ab[0] += x[i] * y[i];
            aa[0] += x[i] * x[i];
            bb[0] += y[i] * y[i];
        }
        for (std::size_t k = 0; k < lanes; ++k) {
            sums.ab += static_cast<double>(ab[k]);
            sums.aa += static_cast<double>(aa[k]);
            sums.bb += static_cast<double>(bb[k]);
        }
        return;
    }
    for (std::int64_t i = 0; i < n; ++i) {
        const double p = at(a + i);
        const double q = at(b + i);
        sums.ab += p * q;
        sums.aa += p * p;
        sums.bb += q * q;
    }
}

// The sum of products of n samples each: thirty-two sums side by side, the same on every processor.
__attribute__((target_clones("avx2", "default"))) double product(const float* x, const float* y, std::int64_t n) {
    using Eight = float __attribute__((vector_size(32)));
    constexpr std::int64_t lanes = 8;
    std::array<Eight, 4> sums{};
    const auto add = [&](Eight& sum, std::int64_t at) {
        Eight a;
        Eight b;
        std::memcpy(&a, x + at, sizeof a);
        std::memcpy(&b, y + at, sizeof b);
        sum += a * b;
    };
    std::int64_t i = 0;
    for (; i + 4 * lanes <= n; i += 4 * lanes) {
        add(sums[0], i);
        add(sums[1], i + lanes);
        add(sums[2], i + 2 * lanes);
        add(sums[3], i + 3 * lanes);
    }
    for (; i + lanes <= n; i += lanes)
        add(sums[0], i);
    const Eight together = (sums[0] + sums[1]) + (sums[2] + sums[3]);
    double sum = 0;
    for (int k = 0; k < lanes; ++k)
        sum += static_cast<double>(together[k]);
    for (; i < n; ++i)
        sum += static_cast<double>(x[i] * y[i]);
    return sum;
}

double likeness(const Products& p) {
    constexpr double nothing = 1e-12;
    if (p.aa < nothing && p.bb < nothing) return 1;
    return p.ab / std::sqrt((p.aa + nothing) * (p.bb + nothing));
}

// A rise of the level by a factor of e in power costs as much likeness as this: heard where nothing begins, it
// doubles what was struck before.
constexpr double costOfRise = 0.1;

} // namespace

Similarity::Similarity(const Excerpt& in, Span range, std::int64_t window)
    : in_(in), window_(window), step_(std::max(1, in.audio->rate / 8000)), cell_(cellOf(range.from)) {
    const auto step = static_cast<std::size_t>(step_);
    const auto cells = static_cast<std::size_t>(cellOf(range.to) + 1 - cell_);
    std::vector<float> fine(cells * step);
    bright_.assign(cells + 1, 0.0);
    for (std::size_t c = 0; c < in.audio->channels.size(); ++c) {
        in.copy(c, {cell_ * step_, cell_ * step_ + static_cast<std::int64_t>(fine.size())}, fine.data());
        std::vector<float> low(cells);
        for (std::size_t cell = 0; cell < cells; ++cell) {
            float sum = 0;
            float power = 0;
            float before = fine[cell * step > 0 ? cell * step - 1 : 0];
            for (std::size_t i = cell * step; i < (cell + 1) * step; ++i) {
                sum += fine[i];
                power += (fine[i] - before) * (fine[i] - before);
                before = fine[i];
            }
            low[cell] = sum;
            bright_[cell + 1] += double(power);
        }
        coarse_.push_back(std::move(low));
    }
    for (std::size_t i = 0; i < cells; ++i)
        bright_[i + 1] += bright_[i];
    energy_.assign(cells + 1, 0.0);
    for (std::size_t i = 0; i < cells; ++i) {
        energy_[i + 1] = energy_[i];
        for (const auto& low : coarse_)
            energy_[i + 1] += double(low[i]) * double(low[i]);
    }
}

std::int64_t Similarity::cellOf(std::int64_t frame) const {
    return (frame >= 0 ? frame : frame - step_ + 1) / step_;
}

double Similarity::at(std::int64_t a, std::int64_t b) const {
    Products sums;
    for (const auto& samples : in_.audio->channels)
        add(sums, samples, a - in_.begin, b - in_.begin, window_);
    return likeness(sums);
}

// How alike a is to each place from `first` to `last`. The energies are carried on from one to the next.
std::vector<double> Similarity::atEach(std::int64_t a, std::int64_t first, std::int64_t last) const {
    std::vector<double> likes;
    if (last < first) return likes;
    likes.reserve(static_cast<std::size_t>(last - first + 1));
    const std::int64_t size = in_.audio->frames().value;
    const std::int64_t x = a - in_.begin;
    const std::int64_t y = first - in_.begin;
    if (x < 0 || x + window_ > size || y < 0 || last - in_.begin + window_ > size) {
        for (std::int64_t place = first; place <= last; ++place)
            likes.push_back(at(a, place));
        return likes;
    }
    Products sums;
    for (const auto& samples : in_.audio->channels) {
        sums.aa += product(samples.data() + x, samples.data() + x, window_);
        sums.bb += product(samples.data() + y, samples.data() + y, window_);
    }
    const std::int64_t end = last - in_.begin;
    for (std::int64_t i = y; i <= end; ++i) {
        sums.ab = 0;
        for (const auto& samples : in_.audio->channels)
            sums.ab += product(samples.data() + x, samples.data() + i, window_);
        likes.push_back(likeness(sums));
        if (i == end) break; // what comes next may lie beyond the recording
        for (const auto& samples : in_.audio->channels) {
            const auto leaves = static_cast<double>(samples[static_cast<std::size_t>(i)]);
            const auto comes = static_cast<double>(samples[static_cast<std::size_t>(i + window_)]);
            sums.bb = std::max(0.0, sums.bb + comes * comes - leaves * leaves);
        }
    }
    return likes;
}

double Similarity::coarse(std::int64_t a, std::int64_t b) const {
    const std::int64_t n = std::max<std::int64_t>(4, window_ / step_);
    a -= cell_;
    b -= cell_;
    const auto size = static_cast<std::int64_t>(coarse_.front().size());
    if (a < 0 || b < 0 || a + n > size || b + n > size) {
        Products sums;
        for (const auto& samples : coarse_)
            add(sums, samples, a, b, n);
        return likeness(sums);
    }
    Products sums;
    for (const auto& samples : coarse_)
        sums.ab += product(samples.data() + a, samples.data() + b, n);
    const auto energy = [&](std::int64_t at) {
        return std::max(0.0, energy_[static_cast<std::size_t>(at + n)] - energy_[static_cast<std::size_t>(at)]);
    };
    sums.aa = energy(a);
    sums.bb = energy(b);
    return likeness(sums);
}

double Similarity::roughly(std::int64_t a, std::int64_t b) const {
    return coarse(cellOf(a), cellOf(a) + (b - a) / step_);
}

double Similarity::rise(std::int64_t a, std::int64_t b) const {
    const std::int64_t n = std::max<std::int64_t>(4, window_ / step_);
    const auto last = static_cast<std::int64_t>(bright_.size()) - 1;
    const auto power = [&](std::int64_t frame) {
        const auto from = std::clamp<std::int64_t>(cellOf(frame) - cell_, 0, last);
        const auto to = std::min(from + n, last);
        return bright_[static_cast<std::size_t>(to)] - bright_[static_cast<std::size_t>(from)];
    };
    constexpr double nothing = 1e-7;
    return std::max(0.0, std::log((power(b) + nothing) / (power(a) + nothing)));
}

Similarity::Best Similarity::best(std::int64_t a, std::int64_t from, std::int64_t to, std::int64_t wanted) const {
    const double reach = static_cast<double>(std::max<std::int64_t>(1, std::max(to - wanted, wanted - from)));
    const auto score = [&](double like, std::int64_t place) {
        return like - 0.02 * std::abs(static_cast<double>(place - wanted)) / reach;
    };
    // Coarse cells line up with a at one phase only; the fine pass below makes up for that.
    const std::int64_t cellA = cellOf(a);
    const std::int64_t shift = a - cellA * step_;
    std::int64_t middle = wanted;
    double bestScore = -10;
    for (std::int64_t cell = cellOf(from - shift); cell <= cellOf(to - shift) + 1; ++cell) {
        const std::int64_t place = cell * step_ + shift;
        const double like = score(coarse(cellA, cell), place);
        if (like <= bestScore) continue;
        if (const double s = like - costOfRise * rise(a, place); s > bestScore) {
            bestScore = s;
            middle = place;
        }
    }
    Best found;
    bestScore = -10;
    const std::int64_t first = std::max(from, middle - step_);
    const std::vector<double> likes = atEach(a, first, std::min(to, middle + step_));
    for (std::size_t i = 0; i < likes.size(); ++i) {
        const std::int64_t place = first + static_cast<std::int64_t>(i);
        const double like = likes[i];
        if (const double s = score(like, place); s > bestScore) {
            bestScore = s;
            found = {place, like};
        }
    }
    if (bestScore <= -10) {
        found.place = std::clamp(middle, from, to);
        found.likeness = at(a, found.place);
    }
    return found;
}

} // namespace stretch
