#include "project/save.h"

#include "base/abreast.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "project/import.h"
#include "project/sets.h"
#include "project/tighten.h"

#include <fmt/format.h>
#include <set>

namespace project {

namespace fs = std::filesystem;

namespace {

bool isInside(const fs::path& file, const fs::path& folder) {
    const auto inside = file.lexically_relative(folder);
    return !inside.empty() && *inside.begin() != "..";
}

// A name in audio/ that no other source has: "keel_bass_96.wav", "keel_bass_96 2.wav".
fs::path freeName(const fs::path& folder, const fs::path& wanted, std::set<std::string>& taken) {
    const std::string stem = base::toUtf8(wanted.stem().native());
    const std::string ending = base::toUtf8(wanted.extension().native());
    for (int n = 1;; ++n) {
        const std::string name = n == 1 ? stem + ending : fmt::format("{} {}{}", stem, n, ending);
        std::error_code ignored;
        if (taken.count(name) == 0 && !fs::exists(folder / name, ignored)) {
            taken.insert(name);
            return folder / name;
        }
    }
}

// Files that go again unless the project came to refer to them.
struct Copies {
    std::vector<fs::path> files;
    Copies() = default;
    ~Copies() {
        std::error_code ignored;
        for (const fs::path& file : files)
            fs::remove(file, ignored);
    }
    Copies(const Copies&) = delete;
    Copies& operator=(const Copies&) = delete;
};

} // namespace

Result<Project> saveProject(const Project& p, const fs::path& folderAsGiven, bool copyAudio,
                            const base::Progress& progress, sound::AudioStore* store) {
    std::error_code error;
    fs::path folder = fs::absolute(folderAsGiven, error).lexically_normal();
    if (!folder.has_filename()) folder = folder.parent_path();
    const fs::path audio = folder / "audio";
    fs::create_directories(copyAudio ? audio : folder, error);
    if (error)
        return base::problem(fmt::format("{} could not be saved: {}.", base::shownPath(folder),
                                         base::writeReason(folder, error.value())));
    base::clearParts(audio);
    Project out = p;
    Copies copied;
    std::set<std::string> taken;
    std::size_t done = 0;
    for (SourcePtr& s : out.sources.altered()) {
        progress.at(static_cast<double>(done++) / static_cast<double>(out.sources.size()));
        if (progress.stopped()) return base::cancelled();
        if (!copyAudio || !s->sound || isInside(s->file, folder)) continue;
        Source moved = *s;
        moved.file = freeName(audio, s->file.filename(), taken);
        if (auto ok = base::copyFile(s->file, moved.file, base::Existing::Refuse); !ok)
            return tl::unexpected(ok.error());
        copied.files.push_back(moved.file);
        if (store != nullptr) keptAs(*store, s->file, moved.file);
        s = std::make_shared<const Source>(std::move(moved));
    }
    if (auto ok = base::writeText(folder / projectFileName, toJson(out, folder), base::Existing::Replace); !ok)
        return tl::unexpected(ok.error());
    copied.files.clear(); // they belong to the project now
    progress.at(1);
    return out;
}

std::vector<std::string> loadAudio(Project& p, const base::Progress& progress, sound::AudioStore* store) {
    std::vector<std::size_t> missing;
    for (std::size_t i = 0; i < p.sources.size(); ++i)
        if (!p.sources[i]->sound) missing.push_back(i);
    if (missing.empty()) return {};
    std::vector<SourcePtr>& sources = p.sources.altered();
    std::vector<std::string> warnings;
    base::abreast<Result<ReadSource>>(
        missing.size(),
        [&](std::size_t k, const base::Progress& part) {
            return readSource(sources[missing[k]]->file, {p.rate, store}, part);
        },
        [&](std::size_t k, Result<ReadSource> read) {
            SourcePtr& source = sources[missing[k]];
            if (!read) {
                if (!read.error().cancelled) warnings.push_back(read.error().text);
                return;
            }
            Source loaded = *source;
            for (std::string& w : read->warnings)
                warnings.push_back(std::move(w));
            if (!loaded.content.empty() && loaded.content != read->content)
                warnings.push_back(fmt::format("{} holds other audio than when the project was saved.",
                                               base::shownName(loaded.file)));
            loaded.content = read->content;
            loaded.facts = read->facts;
            loaded.sound = std::move(read->sound);
            source = std::make_shared<const Source>(std::move(loaded));
            findFeel(*source);
        },
        progress.part(0, 0.9));
    if (!progress.stopped()) anchorSets(p, store, progress.part(0.9, 1));
    return warnings;
}

Result<Loaded> loadProject(const fs::path& path, const base::Progress& progress, sound::AudioStore* store) {
    std::error_code error;
    fs::path file = fs::absolute(path, error).lexically_normal();
    if (fs::is_directory(file, error)) {
        if (!file.has_filename()) file = file.parent_path();
        file /= projectFileName;
    }
    const auto text = base::readText(file);
    if (!text) return tl::unexpected(text.error());
    auto p = fromJson(*text, file.parent_path(), base::shownPath(file));
    if (!p) return tl::unexpected(p.error());
    Loaded loaded{std::move(*p), {}};
    loaded.warnings = loadAudio(loaded.project, progress, store);
    if (progress.stopped()) return base::cancelled();
    return loaded;
}

} // namespace project
