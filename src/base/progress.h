// How long work says how far it is, and learns that nobody wants it any more.
#pragma once

#include <functional>
#include <stop_token>

namespace base {

// Passed by value into anything that may take longer than a tenth of a second. `report` is called from the
// working thread with a fraction from 0 to 1, and may be empty.
struct Progress {
    std::function<void(double)> report;
    std::stop_token stop;

    bool stopped() const { return stop.stop_requested(); }
    void at(double fraction) const {
        if (report) report(fraction);
    }
    // The same work as a part of something larger: its 0–1 becomes from–to.
    Progress part(double from, double to) const {
        if (!report) return *this;
        return {[outer = report, from, to](double f) { outer(from + (to - from) * f); }, stop};
    }
};

} // namespace base
