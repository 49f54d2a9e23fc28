#include "sound/fft.h"

#include <cassert>
#include <fftw3.h>
#include <map>
#include <mutex>

namespace sound {

namespace {

struct Plans {
    fftwf_plan forward = nullptr;
    fftwf_plan inverse = nullptr;
};

// FFTW's planner is not safe to call from two threads; its plans are safe to execute. Plans live as long as the
// process: there are only as many as sizes in use.
Plans plansFor(std::size_t size, float* time, fftwf_complex* spectrum) {
    static std::mutex mutex;
    static std::map<std::size_t, Plans> plans;
    const std::lock_guard lock(mutex);
    Plans& p = plans[size];
    if (p.forward == nullptr) {
        const int n = static_cast<int>(size);
        p.forward = fftwf_plan_dft_r2c_1d(n, time, spectrum, FFTW_ESTIMATE);
        p.inverse = fftwf_plan_dft_c2r_1d(n, spectrum, time, FFTW_ESTIMATE);
    }
    return p;
}

} // namespace

struct RealFft::Buffers {
    std::size_t size;
    float* time;
    fftwf_complex* spectrum;
    Plans plans;

    explicit Buffers(std::size_t n)
        : size(n), time(fftwf_alloc_real(n)), spectrum(fftwf_alloc_complex(n / 2 + 1)),
          plans(plansFor(n, time, spectrum)) {}
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
    fftwf_execute_dft_r2c(buffers_->plans.forward, buffers_->time, buffers_->spectrum);
}

void RealFft::inverse() {
    fftwf_execute_dft_c2r(buffers_->plans.inverse, buffers_->spectrum, buffers_->time);
    const float scale = 1.0F / static_cast<float>(buffers_->size);
    for (float& s : time())
        s *= scale;
}

} // namespace sound
