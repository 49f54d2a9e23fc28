// A query of the library as SQL.
#pragma once

#include "shelf/query.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <functional>

namespace shelf {

// What is bound to a statement that is put together, in order.
struct Conditions {
    std::string text; // beginning with WHERE; empty where there are none
    std::vector<std::function<void(SQLite::Statement&, int)>> binds;

    void add(const std::string& condition) { text += (text.empty() ? " WHERE " : " AND ") + condition; }
    void bind(std::function<void(SQLite::Statement&, int)> how) { binds.push_back(std::move(how)); }
};
Conditions conditionsOf(const Query& query);

// What stands behind ORDER BY. By key, and by what goes with the project, is sorted afterwards.
const char* sqlOrder(SortedBy order);

} // namespace shelf
