#include "shelf/exchange.h"

#include "base/safe_file.h"
#include "base/utf8.h"
#include "hear/listen.h"
#include "project/save.h"
#include "shelf/path_text.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fmt/format.h>
#include <fstream>
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

} // namespace

Result<Exchanged> exportLibrary(const Library& library, const fs::path& file) {
    base::PartFile part(file);
    std::ofstream out(part.path(), std::ios::binary);
    Exchanged done;
    const auto line = [&](const Json& j) {
        out << j.dump(-1, ' ', false, Json::error_handler_t::replace) << '\n';
        return bool(out);
    };
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
        line({{"own",
               {{"content", content}, {"tags", own.tags}, {"notes", own.notes}, {"favourite", own.favourite}}}});
    }
    out.close();
    if (!out)
        return base::problem(
            fmt::format("{} could not be written: {}.", base::shownPath(file), base::writeReason(file, errno)));
    auto kept = part.commit(base::Existing::Replace);
    if (!kept) return tl::unexpected(kept.error());
    return done;
}

Result<Exchanged> takeLibrary(Library& library, const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    if (!in)
        return base::problem(fmt::format("{} could not be read: {}.", base::shownPath(file), std::strerror(errno)));
    std::vector<ReadFile> files;
    std::vector<fs::path> folders;
    std::map<std::string, OwnWords> words;
    std::string text;
    std::size_t number = 0;
    const auto damaged = [&](const std::string& why) {
        return base::problem(fmt::format("{}, line {}: {}.", base::shownPath(file), number, why));
    };
    try {
        while (std::getline(in, text)) {
            ++number;
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
                const Json& o = j["own"];
                OwnWords own{o.at("tags").get<std::vector<std::string>>(), o.at("notes").get<std::string>(),
                             o.at("favourite").get<bool>()};
                words.emplace(o.at("content").get<std::string>(), std::move(own));
            } else {
                return damaged("it says nothing that is known");
            }
        }
    } catch (const std::exception& e) {
        return damaged(e.what());
    }
    if (number == 0) return damaged("it is empty");
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
