// What is tried with bytes that nobody meant: each target takes any bytes, and must neither crash, hang, nor break
// a promise of its own.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace fuzz {

using Bytes = std::string_view;

struct Target {
    std::string name; // also of the folder of its corpus
    void (*run)(Bytes);
};
// All of them: sounds by their format, then the others.
const std::vector<Target>& targets();

// What a target ends with where a promise is broken.
void mustHold(bool holds, const char* promise);

void readSound(Bytes bytes);
void readTags(Bytes bytes);
void changeTags(Bytes bytes);
void changeChunks(Bytes bytes);
void walkMp3(Bytes bytes);
void openProject(Bytes bytes);
void readMidi(Bytes bytes);
void readName(Bytes bytes);
void usePattern(Bytes bytes);
void search(Bytes bytes);
void takeExport(Bytes bytes);

} // namespace fuzz
