// All that is said and heard of a recording, as it is known already where it is.
#pragma once

#include "project/import.h"
#include "shelf/library.h"
#include "shelf/memory.h"

namespace shelf {

// A source of a file that was decoded, with its sound: attacks, readings and the one that is used; what the library
// knows to have been heard of the same content is not heard again, and what was settled for it before counts.
// Either may be null. Any thread; takes time. Fails, naming the file and the reason, and when stopped.
base::Result<project::Source> heardOrKnown(const std::filesystem::path& file, project::ReadSource& read,
                                           const Library* library, const Memory* memory,
                                           const base::Progress& progress = {});

// A recording that was decoded, and what was known of it before; nothing but its sound where that is another, or
// nothing. Any thread; quick.
project::Source soundsAs(const std::optional<project::Source>& known, const project::ReadSource& read,
                         const std::filesystem::path& file);

} // namespace shelf
