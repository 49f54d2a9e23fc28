#include "stretch/method.h"

namespace stretch {

static_assert(
    [] {
        for (std::size_t i = 0; i < methodTable.size(); ++i)
            if (methodTable[i].method != static_cast<Method>(i)) return false;
        return true;
    }(),
    "an entry stands in the place of its number");

const std::vector<Method>& methods() {
    static const std::vector<Method> all = [] {
        std::vector<Method> list;
        list.reserve(methodTable.size());
        for (const MethodEntry& entry : methodTable)
            list.push_back(entry.method);
        return list;
    }();
    return all;
}

std::optional<Method> methodFromWord(const std::string& word) {
    for (const MethodEntry& entry : methodTable)
        if (word == entry.word || word == entry.plain) return entry.method;
    return std::nullopt;
}

} // namespace stretch
