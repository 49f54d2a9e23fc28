// libFuzzer's way in: PM_TARGET names the target.
#include "harsh/fuzz/targets.h"

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <cstdio>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t size) {
    static const fuzz::Target target = [] {
        const char* name = std::getenv("PM_TARGET");
        const auto& all = fuzz::targets();
        const auto found =
            std::find_if(all.begin(), all.end(), [&](const auto& t) { return name != nullptr && t.name == name; });
        if (found == all.end()) {
            std::fprintf(stderr, "PM_TARGET names no target.\n");
            std::abort();
        }
        return *found;
    }();
    target.run({reinterpret_cast<const char*>(bytes), size});
    return 0;
}
