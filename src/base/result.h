// How every room says that something could not be done: a value with a reason that a person can read.
#pragma once

#include <string>
#include <tl/expected.hpp>
#include <utility>

namespace base {

// One sentence for the user: what happened, to which file, and where it helps, what can be done.
struct Problem {
    std::string text;
    bool cancelled = false; // the user stopped it: nothing to report
};

template <class T>
using Result = tl::expected<T, Problem>;

inline tl::unexpected<Problem> problem(std::string text) {
    return tl::unexpected(Problem{std::move(text)});
}
inline tl::unexpected<Problem> cancelled() {
    return tl::unexpected(Problem{"Cancelled.", true});
}

} // namespace base
