// Has each target take what its corpus holds.
//   harsh_replay CORPUS   a folder with one folder a target
#include "harsh/fuzz/targets.h"

#include <algorithm>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <iterator>

int main(int argc, char** argv) {
    if (argc != 2) return 2;
    int tried = 0;
    int missing = 0;
    for (const fuzz::Target& target : fuzz::targets()) {
        std::error_code error;
        std::vector<std::filesystem::path> files;
        for (std::filesystem::directory_iterator at(std::filesystem::path(argv[1]) / target.name, error), end;
             !error && at != end; at.increment(error))
            files.push_back(at->path());
        std::sort(files.begin(), files.end());
        for (const auto& file : files) {
            std::ifstream in(file, std::ios::binary);
            const std::string bytes((std::istreambuf_iterator<char>(in)), std::istreambuf_iterator<char>());
            target.run(bytes);
            ++tried;
        }
        if (files.empty()) {
            std::printf("%s has no corpus\n", target.name.c_str());
            ++missing;
        }
    }
    std::printf("%d passed, %d failed\n", tried, missing);
    return missing == 0 && tried > 0 ? 0 : 1;
}
