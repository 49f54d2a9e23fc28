#include "stretch/splice.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>

// Which of the two is taken is chosen while the program is loaded, before the thread sanitizer can watch anything.
// Other processors have one.
#if defined(PM_SANITIZED_THREADS) || !defined(__x86_64__)
#define PM_CLONES
#else
#define PM_CLONES __attribute__((target_clones("avx2", "default")))
#endif

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
PM_CLONES double product(const float* x, const float* y, std::int64_t n) {
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

// Their sum, likewise.
double total(const float* x, std::int64_t n) {
    constexpr std::int64_t lanes = 16;
    std::array<float, lanes> sums{};
    std::int64_t i = 0;
    for (; i + lanes <= n; i += lanes)
        for (std::size_t k = 0; k < lanes; ++k)
            sums[k] += x[i + static_cast<std::int64_t>(k)];
    double sum = 0;
    for (const float s : sums)
        sum += static_cast<double>(s);
    for (; i < n; ++i)
        sum += static_cast<double>(x[i]);
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

Similarity::Similarity(const Excerpt& in, std::int64_t window)
    : in_(in), window_(window), step_(std::max(1, in.audio->rate / 8000)), coarse_(in.audio->channels.size()) {}

Similarity::Similarity(const Excerpt& in, Span range, std::int64_t window) : Similarity(in, window) {
    goOn(range);
}

void Similarity::goOn(Span range) {
    const auto made = static_cast<std::int64_t>(bright_.size());
    if (made == 0) cell_ = cellOf(range.from);
    const std::int64_t past = std::min(made, cellOf(range.from) - cell_);
    if (2 * past > made) { // moving what is left costs no more than was made
        for (auto& low : coarse_)
            low.erase(low.begin(), low.begin() + past);
        bright_.erase(bright_.begin(), bright_.begin() + past);
        energy_.erase(energy_.begin(), energy_.begin() + past);
        cell_ += past;
    }
    make(cellOf(range.to) + 1 - cell_);
}

// Makes the coarse copy so many cells long.
void Similarity::make(std::int64_t cells) {
    const std::size_t first = bright_.size();
    const auto count = static_cast<std::size_t>(std::max<std::int64_t>(0, cells));
    if (count <= first) return;
    bright_.resize(count, 0.0F);
    energy_.resize(count, 0.0F);
    const auto step = static_cast<std::size_t>(step_);
    fine_.resize((count - first) * step + 1);
    const std::int64_t begin = (cell_ + static_cast<std::int64_t>(first)) * step_ - 1;
    for (std::size_t c = 0; c < coarse_.size(); ++c) {
        in_.copy(c, {begin, begin + static_cast<std::int64_t>(fine_.size())}, fine_.data());
        std::vector<float>& low = coarse_[c];
        low.resize(count);
        const float* from = fine_.data() + 1;
        for (std::size_t cell = first; cell < count; ++cell, from += step) {
            float sum = 0;
            float power = 0;
            for (std::size_t i = 0; i < step; ++i) {
                sum += from[i];
                const float rise = from[i] - from[std::ptrdiff_t(i) - 1];
                power += rise * rise;
            }
            low[cell] = sum;
            bright_[cell] += power;
            energy_[cell] += sum * sum;
        }
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

std::int64_t Similarity::coarseWindow() const {
    return std::max<std::int64_t>(4, window_ / step_);
}

// The product of two windows of the coarse copy; beyond it is silence.
double Similarity::coarseProduct(std::int64_t a, std::int64_t b) const {
    a -= cell_;
    b -= cell_;
    const auto size = static_cast<std::int64_t>(bright_.size());
    const std::int64_t skipped = std::max<std::int64_t>(0, -std::min(a, b));
    const std::int64_t n = std::min(coarseWindow(), size - std::max(a, b)) - skipped;
    double sum = 0;
    if (n > 0)
        for (const auto& low : coarse_)
            sum += product(low.data() + a + skipped, low.data() + b + skipped, n);
    return sum;
}

// What a window of cells sums to.
double Similarity::coarseSum(const std::vector<float>& of, std::int64_t cell) const {
    const auto size = static_cast<std::int64_t>(of.size());
    const std::int64_t from = std::clamp<std::int64_t>(cell - cell_, 0, size);
    const std::int64_t to = std::clamp<std::int64_t>(cell - cell_ + coarseWindow(), 0, size);
    return total(of.data() + from, to - from);
}

double Similarity::energyOf(std::int64_t cell) const {
    const std::int64_t i = cell - cell_;
    return i >= 0 && i < static_cast<std::int64_t>(energy_.size()) ? double(energy_[static_cast<std::size_t>(i)])
                                                                   : 0;
}

double Similarity::roughly(std::int64_t a, std::int64_t b) const {
    const std::int64_t cellA = cellOf(a);
    const std::int64_t cellB = cellA + (b - a) / step_;
    return likeness({coarseProduct(cellA, cellB), coarseSum(energy_, cellA), coarseSum(energy_, cellB)});
}

double Similarity::rise(std::int64_t a, std::int64_t b) const {
    constexpr double nothing = 1e-7;
    const double before = coarseSum(bright_, cellOf(a));
    return std::max(0.0, std::log((coarseSum(bright_, cellOf(b)) + nothing) / (before + nothing)));
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
    const double energyA = coarseSum(energy_, cellA);
    const std::int64_t first = cellOf(from - shift);
    double energy = coarseSum(energy_, first);
    for (std::int64_t cell = first; cell <= cellOf(to - shift) + 1; ++cell) {
        if (cell > first) energy = std::max(0.0, energy + energyOf(cell + coarseWindow() - 1) - energyOf(cell - 1));
        const std::int64_t place = cell * step_ + shift;
        const double like = score(likeness({coarseProduct(cellA, cell), energyA, energy}), place);
        if (like <= bestScore) continue;
        if (const double s = like - costOfRise * rise(a, place); s > bestScore) {
            bestScore = s;
            middle = place;
        }
    }
    Best found;
    bestScore = -10;
    const std::int64_t lowest = std::max(from, middle - step_);
    const std::vector<double> likes = atEach(a, lowest, std::min(to, middle + step_));
    for (std::size_t i = 0; i < likes.size(); ++i) {
        const std::int64_t place = lowest + static_cast<std::int64_t>(i);
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
