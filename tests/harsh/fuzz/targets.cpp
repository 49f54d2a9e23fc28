#include "harsh/fuzz/targets.h"

#include <cstdio>
#include <cstdlib>

namespace fuzz {

const std::vector<Target>& targets() {
    static const std::vector<Target> all{{"wav", readSound},       {"aiff", readSound},
                                         {"flac", readSound},      {"ogg", readSound},
                                         {"opus", readSound},      {"mp3", readSound},
                                         {"tags", readTags},       {"id3", changeTags},
                                         {"chunks", changeChunks}, {"mp3_frames", walkMp3},
                                         {"project", openProject}, {"midi", readMidi},
                                         {"names", readName},      {"patterns", usePattern},
                                         {"query", search},        {"library_export", takeExport}};
    return all;
}

void mustHold(bool holds, const char* promise) {
    if (holds) return;
    std::fprintf(stderr, "broken: %s\n", promise);
    std::abort();
}

} // namespace fuzz
