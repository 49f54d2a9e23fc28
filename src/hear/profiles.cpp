#include "hear/profiles.h"

#include <algorithm>
#include <cassert>

namespace hear {

void Profiles::Walk::stand(std::size_t at) {
    constexpr std::size_t atOnce = 1024; // read together
    assert(at < list_.size());
    const std::size_t from = at > reach ? at - reach : 0;
    const std::size_t to = std::min(list_.size(), at + reach + 1);
    if (begin_ <= from && to <= begin_ + read_.size()) return;
    begin_ = from;
    read_.resize(std::min(list_.size(), std::max(to, from + atOnce)) - from);
    list_.bytes_.read(begin_ * sizeof(Profile), read_.data(), read_.size() * sizeof(Profile));
}

} // namespace hear
