// That no result of a call takes the place of anything the call reads.
#pragma once

#include "base/safe_file.h"
#include "metre/units.h"

#include <filesystem>
#include <optional>
#include <set>
#include <string>
#include <vector>

namespace cli {

// The files that a call reads. None of them is ever written to, by whichever name it is reached.
class Inputs {
  public:
    void add(const std::filesystem::path& file);
    bool holds(const std::filesystem::path& file) const;

  private:
    std::set<base::FileIdentity> all_;
};

// The inputs that lie in the folder of the results under names which results of others may get, a sentence each:
// before any is heard, so that a key or a number of beats may be any. `pattern` as deliver::nameOf() takes it,
// `ending` that of the results, `to` their tempo; none: they have none.
std::vector<std::string> clashes(const std::vector<std::filesystem::path>& files, const Inputs& inputs,
                                 const std::filesystem::path& folder, const std::string& pattern,
                                 const std::string& ending, const std::optional<metre::Bpm>& to);

} // namespace cli
