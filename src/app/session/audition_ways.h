// How things are auditioned: kept with the preferences.
#pragma once

namespace app {

struct AuditionWays {
    bool automatic = true; // whatever is selected is heard
    bool inTempo = true;
    bool inKey = false;
    bool repeat = true;
    bool atOnce = false; // it does not wait for the bar line
    double db = -12;
    static constexpr double quietest = -48;
    static constexpr double loudest = 6;
    bool operator==(const AuditionWays&) const = default;
};

} // namespace app
