#include "shelf/exchange.h"

#include "base/disk.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "hear/listen.h"
#include "project/save.h"
#include "shelf/library_text.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <functional>
#include <set>

namespace shelf {

namespace fs = std::filesystem;

namespace {

using Json = nlohmann::ordered_json;
constexpr const char* libraryFormat = "patient-metre-library";
constexpr int libraryTextVersion = 1;

Json feelToText(const hear::Feel& feel) {
    Json j = {{"grid", hear::entryOf(feel.grid).word}};
    j["swing"] = feel.swing ? Json(*feel.swing) : Json(nullptr);
    j["loose"] = feel.loose.value;
    return j;
}

hear::Feel feelFromText(const Json& j) {
    hear::Feel feel;
    const auto grid = hear::feelGridFromWord(j.at("grid").get<std::string>());
    if (!grid) throw std::invalid_argument("there is no such grid");
    feel.grid = *grid;
    if (!j.at("swing").is_null()) feel.swing = j["swing"].get<double>();
    feel.loose = metre::Seconds(j.at("loose").get<double>());
    return feel;
}

Json fileToText(const ReadFile& file) {
    Json j = {
        {"path", pathToText(file.listed.file)}, {"bytes", file.listed.bytes}, {"changed", file.listed.changed}};
    j["source"] = file.source ? Json::parse(project::sourceToJson(*file.source)) : Json(nullptr);
    j["feel"] = file.feel ? feelToText(*file.feel) : Json(nullptr);
    j["problem"] = file.problem;
    return j;
}

ReadFile fileFromText(const Json& j) {
    ReadFile file;
    file.listed = {pathFromText(j.at("path")), j.at("bytes").get<std::int64_t>(),
                   j.at("changed").get<std::int64_t>()};
    if (!file.listed.file.is_absolute()) throw std::invalid_argument("a path is not absolute");
    file.problem = j.at("problem").get<std::string>();
    if (!j.at("source").is_null()) {
        file.source = project::sourceFromJson(j["source"].dump());
        if (!file.source) throw std::invalid_argument("what is known of a file cannot be read");
        file.source->file = file.listed.file;
    }
    if (!j.at("feel").is_null()) file.feel = feelFromText(j["feel"]);
    return file;
}

// The last line: a text that was cut where a line ends would else look whole.
Json lastLine(const Exchanged& done) {
    return {{"end", {{"files", done.files}, {"recordings", done.recordings}}}};
}

// Goes through the lines of a file until one is refused. Fails, naming the file, where it cannot be read.
Result<void> eachLine(const fs::path& file, const std::function<Result<void>(const std::string&)>& take) {
    const auto unread = [&] {
        return base::problem(fmt::format("{} could not be read: {}.", base::shownPath(file), std::strerror(errno)));
    };
    const base::disk::Handle in(base::disk::open(file, O_RDONLY));
    if (!in.isOpen()) return unread();
    std::string text;
    std::string block(1 << 16, '\0');
    while (true) {
        const ssize_t got = base::disk::read(in.get(), block.data(), block.size());
        if (got < 0) return unread();
        if (got == 0) break;
        text.append(block.data(), static_cast<std::size_t>(got));
        std::size_t from = 0;
        for (std::size_t end = 0; (end = text.find('\n', from)) != std::string::npos; from = end + 1)
            if (auto taken = take(text.substr(from, end - from)); !taken) return taken;
        text.erase(0, from);
    }
    return text.empty() ? Result<void>() : take(text);
}

} // namespace

Result<Exchanged> exportLibrary(const Library& library, const fs::path& file) {
    base::PartFile part(file);
    base::disk::Handle out(base::disk::open(part.path(), O_WRONLY | O_CREAT | O_TRUNC));
    const auto unwritten = [&](int error) {
        return base::problem(
            fmt::format("{} could not be written: {}.", base::shownPath(file), base::writeReason(file, error)));
    };
    if (!out.isOpen()) return unwritten(errno);
    int error = 0;
    const auto line = [&](const Json& j) {
        const std::string text = j.dump(-1, ' ', false, Json::error_handler_t::replace) + '\n';
        if (error == 0 && !base::disk::writeAll(out.get(), text.data(), text.size())) error = errno;
        return error == 0;
    };
    Exchanged done;
    line({{"format", libraryFormat}, {"version", libraryTextVersion}, {"heard", hear::listenVersion}});
    for (const fs::path& folder : library.folders())
        line({{"folder", pathToText(folder)}});
    auto read = library.eachFile([&](const ReadFile& row) {
        ++done.files;
        return line({{"file", fileToText(row)}});
    });
    if (!read) return tl::unexpected(read.error());
    for (const auto& [content, own] : library.allOwn()) {
        ++done.recordings;
        line({{"own", ownToText(content, own)}});
    }
    line(lastLine(done));
    if (error == 0) error = out.close();
    if (error != 0) return unwritten(error);
    if (auto kept = part.commit(base::Existing::Replace); !kept) return tl::unexpected(kept.error());
    return done;
}

Result<Exchanged> takeLibrary(Library& library, const fs::path& file) {
    std::vector<ReadFile> files;
    std::vector<fs::path> folders;
    std::map<std::string, OwnWords> words;
    std::size_t number = 0;
    bool isWhole = false;
    const auto damaged = [&](const std::string& why) {
        return base::problem(fmt::format("{}, line {}: {}.", base::shownPath(file), number, why));
    };
    auto read = eachLine(file, [&](const std::string& text) -> Result<void> {
        ++number;
        isWhole = false;
        try {
            const Json j = Json::parse(text);
            if (number == 1) {
                if (j.value("format", "") != libraryFormat) return damaged("this is no library");
                if (j.at("version").get<int>() != libraryTextVersion)
                    return damaged("it was written by another version of Patient Metre");
                if (const int heard = j.at("heard").get<int>(); heard != hear::listenVersion)
                    return damaged(
                        fmt::format("its files were listened to by version {} of hearing, and this is {}; "
                                    "scan them again there",
                                    heard, hear::listenVersion));
            } else if (j.contains("folder")) {
                folders.push_back(pathFromText(j["folder"]));
            } else if (j.contains("file")) {
                files.push_back(fileFromText(j["file"]));
            } else if (j.contains("own")) {
                words.insert(ownFromText(j["own"]));
            } else if (j.contains("end")) {
                isWhole = j == lastLine({files.size(), words.size()});
            } else {
                return damaged("it says nothing that is known");
            }
        } catch (const std::exception& e) {
            return damaged(e.what());
        }
        return {};
    });
    if (!read) return tl::unexpected(read.error());
    if (number == 0) return damaged("it is empty");
    if (!isWhole) return damaged("it is cut off");
    // Own words of both: all tags, and the notes that were here where there are any.
    for (auto& [content, own] : words) {
        const OwnWords here = library.own(content);
        std::set<std::string> tags(here.tags.begin(), here.tags.end());
        tags.insert(own.tags.begin(), own.tags.end());
        own.tags.assign(tags.begin(), tags.end());
        if (!here.notes.empty()) own.notes = here.notes;
        own.favourite = own.favourite || here.favourite;
    }
    if (auto put = library.take(files); !put) return tl::unexpected(put.error());
    for (const fs::path& folder : folders)
        if (auto added = library.addFolder(folder); !added) return tl::unexpected(added.error());
    if (!words.empty())
        if (auto set = library.setOwn(words); !set) return tl::unexpected(set.error());
    return Exchanged{files.size(), words.size()};
}

} // namespace shelf
