// A range of tempos as it is said on the command line.
#pragma once

#include "base/result.h"
#include "hear/listen.h"

#include <string>

namespace cli {

// "70-140". Fails in words.
base::Result<hear::Window> tempoRange(const std::string& text);

} // namespace cli
