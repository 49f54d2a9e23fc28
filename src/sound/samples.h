// The samples of one channel.
#pragma once

#include <cassert>
#include <cstddef>
#include <memory>
#include <utility>
#include <vector>

namespace sound {

// Samples as a vector of its own, or a view of samples that somebody else keeps (a file that is mapped into memory,
// say). A view keeps what it looks at alive, and is never altered: whatever alters REQUIRES samples of its own. A
// copy always has its own.
class Samples {
  public:
    Samples() = default;
    explicit Samples(std::size_t count, float value = 0.0F) : own_(count, value) { look(); }
    Samples(std::vector<float> own) : own_(std::move(own)) { look(); } // NOLINT(google-explicit-constructor)
    // A view of `count` samples at `first`, which stay as they are for as long as `keeper` lives.
    static Samples viewOf(const float* first, std::size_t count, std::shared_ptr<const void> keeper) {
        Samples view;
        view.first_ = first;
        view.count_ = count;
        view.keeper_ = std::move(keeper);
        return view;
    }

    Samples(const Samples& o) : own_(o.begin(), o.end()) { look(); }
    Samples(Samples&& o) noexcept
        : own_(std::move(o.own_)), first_(std::exchange(o.first_, nullptr)), count_(std::exchange(o.count_, 0)),
          keeper_(std::move(o.keeper_)) {}
    Samples& operator=(const Samples& o) {
        if (this != &o) *this = Samples(o);
        return *this;
    }
    Samples& operator=(Samples&& o) noexcept {
        own_ = std::move(o.own_);
        first_ = std::exchange(o.first_, nullptr);
        count_ = std::exchange(o.count_, 0);
        keeper_ = std::move(o.keeper_);
        return *this;
    }
    ~Samples() = default;

    std::size_t size() const { return count_; }
    bool empty() const { return count_ == 0; }
    bool isView() const { return keeper_ != nullptr; }
    const float* data() const { return first_; }
    const float* begin() const { return first_; }
    const float* end() const { return first_ + count_; }
    const float& operator[](std::size_t i) const { return first_[i]; }
    const float& front() const { return first_[0]; }
    const float& back() const { return first_[count_ - 1]; }

    float* data() { return own(); }
    float* begin() { return own(); }
    float* end() { return own() + count_; }
    float& operator[](std::size_t i) { return own()[i]; }
    float& front() { return own()[0]; }
    float& back() { return own()[count_ - 1]; }

    void push_back(float sample) {
        own_.push_back(sample);
        look();
    }
    void resize(std::size_t count) {
        own_.resize(count);
        look();
    }
    void assign(std::size_t count, float value) {
        own_.assign(count, value);
        look();
    }
    void shrink_to_fit() {
        own_.shrink_to_fit();
        look();
    }

    bool operator==(const Samples& o) const {
        if (count_ != o.count_) return false;
        for (std::size_t i = 0; i < count_; ++i)
            if (first_[i] != o.first_[i]) return false;
        return true;
    }

  private:
    void look() {
        assert(!keeper_);
        first_ = own_.data();
        count_ = own_.size();
    }
    float* own() {
        assert(!keeper_);
        return own_.data();
    }

    std::vector<float> own_;
    const float* first_ = nullptr;
    std::size_t count_ = 0;
    std::shared_ptr<const void> keeper_;
};

} // namespace sound
