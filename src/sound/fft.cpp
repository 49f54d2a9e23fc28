// A real transform of an even size by a complex one of half of it, the even samples its real parts and the odd ones
// its imaginary parts, and a pass that parts the two again: Cooley, Lewis & Welch, "The fast Fourier transform
// algorithm: programming considerations in the calculation of sine, cosine and Laplace transforms", J. Sound and
// Vibration 1970 (from memory). FFTW's own real plans, made without measuring, take twice as long.
#include "sound/fft.h"

#include "base/four.h"

#include <cassert>
#include <cmath>
#include <fftw3.h>
#include <map>
#include <mutex>
#include <numbers>
#include <vector>

namespace sound {

namespace {

// Two complex numbers at a time.
using base::Four;
using base::four;
constexpr Four conjugating{1, -1, 1, -1};
Four withPartsSwapped(Four two) {
    return __builtin_shufflevector(two, two, 1, 0, 3, 2);
}
Four inOtherOrder(Four two) {
    return __builtin_shufflevector(two, two, 2, 3, 0, 1);
}

struct Plan {
    fftwf_plan forward = nullptr;
    fftwf_plan inverse = nullptr;
    // −i e^(−2πik/size), for k up to a quarter of the size and one more, as products want them: the real part
    // twice, and the imaginary part negative and positive.
    std::vector<float> real;
    std::vector<float> imaginary;
};

// FFTW's planner is not safe to call from two threads; its plans are safe to execute. Plans live as long as the
// process, and longer than anything that is static: a worker may still use one while the process ends. There are
// only as many as sizes in use.
const Plan& planFor(std::size_t size, float* time, fftwf_complex* spectrum) {
    static std::mutex mutex;
    static auto& plans = *new std::map<std::size_t, Plan>;
    const std::lock_guard lock(mutex);
    Plan& p = plans[size];
    if (p.forward == nullptr) {
        const int half = static_cast<int>(size / 2);
        auto* pairs = reinterpret_cast<fftwf_complex*>(time);
        p.forward = fftwf_plan_dft_1d(half, pairs, spectrum, FFTW_FORWARD, FFTW_ESTIMATE);
        p.inverse = fftwf_plan_dft_1d(half, spectrum, pairs, FFTW_BACKWARD, FFTW_ESTIMATE);
        for (std::size_t k = 0; k < size / 4 + 2; ++k) {
            const double angle = -2 * std::numbers::pi * double(k) / double(size);
            const auto real = static_cast<float>(std::sin(angle));
            const auto imaginary = static_cast<float>(-std::cos(angle));
            p.real.insert(p.real.end(), {real, real});
            p.imaginary.insert(p.imaginary.end(), {-imaginary, imaginary});
        }
    }
    return p;
}

// From the transform of the pairs to that of the samples, or back, in place: `size` samples, as many numbers as
// half of it and one more. Number k and the one as far from the other end are worked out of each other: even =
// (Z[k] + Z*[−k]) / 2, odd = (Z[k] − Z*[−k]) / 2, X[k] = even + t odd, X[−k] = (even − t odd)*, with t = −i
// e^(−2πik/size); and back with t* and twice the numbers.
template <bool back>
void partPairs(float* z, std::size_t size, const Plan& plan, float scale) {
    const std::size_t half = size / 2;
    const float way = back ? -1 : 1;
    std::size_t k = 1;
    for (; k + 2 < half - k; k += 2) {
        float* a = z + 2 * k;
        float* b = z + 2 * (half - k - 1);
        const Four here = four(a);
        const Four there = conjugating * inOtherOrder(four(b));
        const Four even = scale * (here + there);
        const Four odd = scale * (here - there);
        const Four t = odd * four(&plan.real[2 * k]) + withPartsSwapped(odd) * (way * four(&plan.imaginary[2 * k]));
        base::put(even + t, a);
        base::put(inOtherOrder(conjugating * (even - t)), b);
    }
    auto* number = reinterpret_cast<std::complex<float>*>(z);
    for (; k < half - k; ++k) {
        const std::complex<float> there = std::conj(number[half - k]);
        const std::complex<float> even = scale * (number[k] + there);
        const std::complex<float> odd = scale * (number[k] - there);
        const std::complex<float> t = odd * std::complex<float>(plan.real[2 * k], way * plan.imaginary[2 * k + 1]);
        number[k] = even + t;
        number[half - k] = std::conj(even - t);
    }
    // In the middle the two are one.
    if (k == half - k) number[k] = 2 * scale * std::conj(number[k]);
}

} // namespace

struct RealFft::Buffers {
    std::size_t size;
    float* time;
    fftwf_complex* spectrum;
    const Plan& plan;

    explicit Buffers(std::size_t n)
        : size(n), time(fftwf_alloc_real(n)), spectrum(fftwf_alloc_complex(n / 2 + 1)),
          plan(planFor(n, time, spectrum)) {}
    ~Buffers() {
        fftwf_free(time);
        fftwf_free(spectrum);
    }
    Buffers(const Buffers&) = delete;
    Buffers& operator=(const Buffers&) = delete;
};

RealFft::RealFft(std::size_t size) : buffers_(std::make_unique<Buffers>(size)) {
    assert(size >= 2 && size % 2 == 0);
}
RealFft::~RealFft() = default;
RealFft::RealFft(RealFft&&) noexcept = default;
RealFft& RealFft::operator=(RealFft&&) noexcept = default;

std::size_t RealFft::size() const {
    return buffers_->size;
}
std::span<float> RealFft::time() {
    return {buffers_->time, buffers_->size};
}
std::span<std::complex<float>> RealFft::spectrum() {
    return {reinterpret_cast<std::complex<float>*>(buffers_->spectrum), bins()};
}

void RealFft::forward() {
    forward(spectrum());
}

void RealFft::forward(std::span<std::complex<float>> to) {
    const Buffers& b = *buffers_;
    auto* z = reinterpret_cast<float*>(to.data());
    // Plans hold for whatever is aligned as the buffers are: to sixteen bytes, as all that is allocated.
    assert(fftwf_alignment_of(z) == fftwf_alignment_of(b.spectrum[0]));
    fftwf_execute_dft(b.plan.forward, reinterpret_cast<fftwf_complex*>(b.time),
                      reinterpret_cast<fftwf_complex*>(z));
    const float even = z[0];
    const float odd = z[1];
    partPairs<false>(z, b.size, b.plan, 0.5F);
    z[0] = even + odd;
    z[1] = 0;
    z[b.size] = even - odd;
    z[b.size + 1] = 0;
}

void RealFft::inverse() {
    const Buffers& b = *buffers_;
    float* z = b.spectrum[0];
    const float scale = 1.0F / static_cast<float>(b.size);
    const float lowest = z[0];
    const float highest = z[b.size];
    partPairs<true>(z, b.size, b.plan, scale);
    z[0] = scale * (lowest + highest);
    z[1] = scale * (lowest - highest);
    fftwf_execute_dft(b.plan.inverse, b.spectrum, reinterpret_cast<fftwf_complex*>(b.time));
}

} // namespace sound
