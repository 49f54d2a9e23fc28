// The files of a drop, name by name as the bytes that they are.
#pragma once

#include <QMimeData>
#include <QStringList>
#include <QUrl>
#include <filesystem>
#include <vector>

namespace app {

// What is no file on this machine goes to `elsewhere`, as it is shown, where that is given.
inline std::vector<std::filesystem::path> filesIn(const QMimeData& data, QStringList* elsewhere = nullptr) {
    std::vector<std::filesystem::path> files;
    for (const QUrl& url : data.urls()) {
        if (url.isLocalFile()) {
            // toLocalFile() would lose bytes that are no UTF-8; the encoded form keeps them.
            const QByteArray bytes = QByteArray::fromPercentEncoding(url.path(QUrl::FullyEncoded).toLatin1());
            files.emplace_back(bytes.toStdString());
        } else if (elsewhere != nullptr) {
            *elsewhere << url.toDisplayString();
        }
    }
    return files;
}

} // namespace app
