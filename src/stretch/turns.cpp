#include "stretch/turns.h"

#include <algorithm>
#include <cmath>

namespace stretch {

namespace {

using base::Four;
using base::four;

void add(Four x, float* to) {
    base::put(four(to) + x, to);
}
void add(float x, float* to) {
    *to += x;
}

std::complex<float> unit(std::complex<float> x) {
    return x / std::max(1e-9F, std::sqrt(std::norm(x)));
}

} // namespace

void Turns::none() {
    std::fill(real_.begin(), real_.end(), 1.0F);
    std::fill(imaginary_.begin(), imaginary_.end(), 0.0F);
    level_ = true;
}

void Turns::none(std::span<const std::int32_t> bins) {
    for (std::size_t b = 0; b < bins_; b += 4) {
        const auto chosen = four(&bins[b]) != 0;
        base::put(chosen ? Four{} + 1.0F : four(&real_[b]), &real_[b]);
        base::put(chosen ? Four{} : four(&imaginary_[b]), &imaginary_[b]);
    }
}

void Turns::flatten() {
    if (level_) return;
    for (std::size_t b = 0; b < bins_; b += 4) {
        const Four re = four(&real_[b]);
        const Four im = four(&imaginary_[b]);
        const Four size = base::most(base::root(re * re + im * im), Four{} + 1e-9F);
        base::put(re / size, &real_[b]);
        base::put(im / size, &imaginary_[b]);
    }
    level_ = true;
}

void Turns::lead(const Turns& to, std::int64_t left) {
    const auto share = float(left) / float(left + 1);
    // Neighbours mostly turn alike: what was worked out for one holds for the next.
    std::complex<float> turn;
    std::complex<float> next;
    std::complex<float> led;
    for (std::size_t b = 0; b < bins_; ++b) {
        if (b == 0 || at(b) != turn || to.at(b) != next) {
            turn = at(b);
            next = to.at(b);
            const std::complex<float> there = unit(next);
            const float apart = std::arg(turn * std::conj(there));
            led = std::sqrt(std::norm(turn)) * there * std::polar(1.0F, apart * share);
        }
        set(b, led);
    }
}

void Turns::turn(std::span<const std::complex<float>> spectrum, std::span<std::complex<float>> to) const {
    const auto* from = reinterpret_cast<const float*>(spectrum.data());
    auto* out = reinterpret_cast<float*>(to.data());
    std::size_t b = 0;
    for (; b + 2 <= bins_; b += 2) {
        const Four x = four(from + 2 * b);
        const Four re{real_[b], real_[b], real_[b + 1], real_[b + 1]};
        const Four im{-imaginary_[b], imaginary_[b], -imaginary_[b + 1], imaginary_[b + 1]};
        base::put(x * re + __builtin_shufflevector(x, x, 1, 0, 3, 2) * im, out + 2 * b);
    }
    for (; b < bins_; ++b)
        to[b] = spectrum[b] * at(b);
}

Turning::Turning(std::size_t bins)
    : bins_(bins), crossReal_(bins + 4), crossImaginary_(bins + 4), past_(bins + 4), fits_(bins + 4),
      peaks_(bins + 4), wholes_(bins + 4), real_(bins + 4), imaginary_(bins + 4) {}

void Turning::compare(std::size_t channel, std::span<const std::complex<float>> last,
                      std::span<const std::complex<float>> past) {
    const auto* a = reinterpret_cast<const float*>(last.data());
    const auto* b = reinterpret_cast<const float*>(past.data());
    const auto over = [&](auto write) {
        std::size_t i = 0;
        for (; i + 4 <= bins_; i += 4) {
            const auto [ar, ai] = base::apart(a + 2 * i);
            const auto [br, bi] = base::apart(b + 2 * i);
            write(&crossReal_[i], ar * br + ai * bi);
            write(&crossImaginary_[i], ai * br - ar * bi);
            write(&past_[i], br * br + bi * bi);
        }
        for (; i < bins_; ++i) {
            const std::complex<float> cross = last[i] * std::conj(past[i]);
            write(&crossReal_[i], cross.real());
            write(&crossImaginary_[i], cross.imag());
            write(&past_[i], std::norm(past[i]));
        }
    };
    if (channel == 0)
        over([](float* to, auto x) { base::put(x, to); });
    else
        over([](float* to, auto x) { add(x, to); });
}

void Turning::find(const Regions& regions, std::span<const float> power, std::span<const float> lastPower,
                   Turns& turns) {
    multiply(lastPower, turns);
    sumUp(regions, power);
    judge(regions.all().size());

    std::fill_n(turns.real_.begin(), regions.offsetEnd(), 1.0F);
    std::fill_n(turns.imaginary_.begin(), regions.offsetEnd(), 0.0F);
    float* re = turns.real_.data();
    float* im = turns.imaginary_.data();
    std::size_t i = 0;
    for (const Region& region : regions.all()) {
        const Four real = Four{} + real_[i];
        const Four imaginary = Four{} + imaginary_[i];
        ++i;
        // What is written too far, the next region writes again.
        for (std::size_t b = region.from; b < region.to; b += 4) {
            base::put(real, re + b);
            base::put(imaginary, im + b);
        }
    }
    turns.level_ = false;
}

void Turning::multiply(std::span<const float> lastPower, const Turns& turns) {
    for (std::size_t b = 0; b < bins_; b += 4) {
        const Four re = four(&turns.real_[b]);
        const Four im = four(&turns.imaginary_[b]);
        const Four x = four(&crossReal_[b]);
        const Four y = four(&crossImaginary_[b]);
        Four real = x * re - y * im;
        Four imaginary = x * im + y * re;
        Four past = four(&past_[b]);
        Four put = four(&lastPower[b]) * (re * re + im * im);
        base::transpose(real, imaginary, past, put);
        fits_[b] = real;
        fits_[b + 1] = imaginary;
        fits_[b + 2] = past;
        fits_[b + 3] = put;
    }
}

void Turning::sumUp(const Regions& regions, std::span<const float> power) {
    std::size_t i = 0;
    for (const Region& region : regions.all()) {
        Four whole{};
        for (std::size_t b = region.from; b < region.to; ++b)
            whole += fits_[b];
        Four peak{};
        float now = 0;
        const std::size_t end = std::min(region.to, region.peak + 2);
        for (std::size_t b = std::max(region.from, region.peak > 1 ? region.peak - 1 : 0); b < end; ++b) {
            peak += fits_[b];
            now += power[b];
        }
        peak[3] = now;
        wholes_[i] = whole;
        peaks_[i] = peak;
        ++i;
    }
}

void Turning::judge(std::size_t regions) {
    for (std::size_t i = 0; i < regions; i += 4) {
        Four real = peaks_[i];
        Four imaginary = peaks_[i + 1];
        Four past = peaks_[i + 2];
        Four now = peaks_[i + 3];
        base::transpose(real, imaginary, past, now);
        Four wholeReal = wholes_[i];
        Four wholeImaginary = wholes_[i + 1];
        Four wholePast = wholes_[i + 2];
        Four put = wholes_[i + 3];
        base::transpose(wholeReal, wholeImaginary, wholePast, put);

        const Four magnitude = base::root(real * real + imaginary * imaginary);
        // Where the past has nothing like it, something begins: as recorded.
        const auto begins = (past < 0.003F * now) | (magnitude < 1e-20F);
        const Four one = 1 / base::most(magnitude, Four{} + 1e-20F);
        real *= one;
        imaginary *= one;
        // How well the whole region fits, turned, to what was put out before: 1 entirely.
        const Four both = wholeReal * real + wholeImaginary * imaginary;
        const Four likeness = both / (base::root(1e-30F + wholePast) * base::root(1e-30F + put));
        // Frames that do not fit each other entirely lose power where they overlap. A sample in the middle of a
        // frame is made of it and of a quarter each of its neighbours, whose likeness is r, and that of the two r².
        const Four r = base::least(base::most(likeness, Four{} + 0.3F), Four{} + 1.0F);
        const Four level = base::root(2.25F / (1.125F + r + 0.125F * r * r));
        base::put(begins ? Four{} + 1.0F : real * level, &real_[i]);
        base::put(begins ? Four{} : imaginary * level, &imaginary_[i]);
    }
}

} // namespace stretch
