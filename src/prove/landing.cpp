#include "prove/landing.h"

#include <algorithm>
#include <cmath>

namespace prove {

namespace {

double medianOf(std::vector<double>& values) {
    const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
    std::nth_element(values.begin(), middle, values.end());
    if (values.size() % 2 == 1) return *middle;
    return (*middle + *std::max_element(values.begin(), middle)) / 2;
}

double slopeOf(const std::vector<Deviation>& list) {
    const double apart = (list.back().at - list.front().at).value / 3;
    // A few hundred of them tell as much as thousands.
    const std::size_t stride = std::max<std::size_t>(1, list.size() / 400);
    std::vector<double> slopes;
    for (std::size_t i = 0; i < list.size(); i += stride)
        for (std::size_t k = i + stride; k < list.size(); k += stride)
            if (const double time = (list[k].at - list[i].at).value; time > 0 && time >= apart)
                slopes.push_back((list[k].off - list[i].off).value / time);
    return slopes.empty() ? 0 : medianOf(slopes);
}

} // namespace

const char* landingWord(Landing l) {
    switch (l) {
    case Landing::InTime:
        return "in time";
    case Landing::Early:
        return "early";
    case Landing::Late:
        return "late";
    case Landing::Loose:
        return "loose";
    case Landing::OffGrid:
        return "off the grid";
    case Landing::Unread:
        break;
    }
    return "unread";
}

Landing landingOf(Seconds off, Seconds tolerance) {
    if (std::abs(off.value) <= tolerance.value) return Landing::InTime;
    return off.value < 0 ? Landing::Early : Landing::Late;
}

Deviations summed(const std::vector<Deviation>& list, Seconds from, Seconds to) {
    Deviations out;
    out.count = list.size();
    if (list.empty()) return out;
    std::vector<double> signedValues;
    std::vector<double> values;
    signedValues.reserve(list.size());
    values.reserve(list.size());
    for (std::size_t i = 0; i < list.size(); ++i) {
        signedValues.push_back(list[i].off.value);
        values.push_back(std::abs(list[i].off.value));
        if (values.back() > std::abs(out.worst.value)) {
            out.worst = list[i].off;
            out.worstIndex = i;
        }
    }
    out.median = Seconds(medianOf(values));
    out.middle = Seconds(medianOf(signedValues));
    std::sort(values.begin(), values.end());
    const auto rank = static_cast<std::size_t>(std::ceil(0.95 * double(values.size())));
    out.p95 = Seconds(values[std::max<std::size_t>(1, rank) - 1]);
    if (list.size() >= 4) out.drift = Seconds(slopeOf(list) * (to - from).value);
    return out;
}

Counts counted(const std::vector<Deviation>& list, Seconds tolerance) {
    Counts counts;
    for (const Deviation& d : list) {
        const Landing landing = landingOf(d.off, tolerance);
        ++(landing == Landing::InTime ? counts.inTime : landing == Landing::Early ? counts.early : counts.late);
    }
    return counts;
}

Landing landingOf(const std::vector<Deviation>& list, const Deviations& sums, Seconds tolerance) {
    if (list.empty()) return Landing::Unread;
    const Landing middle = landingOf(sums.middle, tolerance);
    if (middle != Landing::InTime) return middle;
    if (std::abs(sums.drift.value) > tolerance.value) return sums.drift.value < 0 ? Landing::Early : Landing::Late;
    const Counts counts = counted(list, tolerance);
    return double(counts.inTime) >= 0.9 * double(list.size()) ? Landing::InTime : Landing::Loose;
}

Landing placingOf(const std::vector<Deviation>& list, const Deviations& sums, Seconds tolerance) {
    const Landing landing = landingOf(list, sums, tolerance);
    if (landing != Landing::Loose) return landing;
    const Counts counts = counted(list, tolerance);
    if (counts.early != counts.late) return counts.early > counts.late ? Landing::Early : Landing::Late;
    return sums.worst.value < 0 ? Landing::Early : Landing::Late;
}

} // namespace prove
