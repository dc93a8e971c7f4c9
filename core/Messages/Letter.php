<?php

declare(strict_types=1);

namespace MintDoor\Core\Messages;

/** A message ready to go, but for its link: that is made when it is sent. */
final readonly class Letter
{
    /** Stands where the link will be: a character that nobody types and no value keeps. */
    public const LINK = "\u{E000}";

    /**
     * @param string  $language of its words, BCP 47
     * @param ?string $division code of the division whose letter it is; null for the platform's
     */
    public function __construct(
        public string $subject,
        public string $text,
        public string $language = 'en',
        public ?string $division = null,
    ) {}

    /** A value without what would be read as a link or break a line. */
    public static function plain(string $value): string
    {
        return (string) preg_replace(
            '/(?![\n\t])\p{Cc}|[\x{E000}\x{200E}\x{200F}\x{202A}-\x{202E}\x{2066}-\x{2069}]/u',
            '',
            mb_scrub(str_replace(["\r\n", "\r"], "\n", $value)),
        );
    }

    /** The plain part. */
    public function asText(string $link): string
    {
        return str_replace(self::LINK, $link, $this->text);
    }

    /** The HTML part: the same words, whatever looks like markup shown as it is, the link as one to follow. */
    public function asHtml(string $link): string
    {
        $escape = static fn(string $text): string => htmlspecialchars(
            $text,
            \ENT_QUOTES | \ENT_SUBSTITUTE | \ENT_HTML5,
            'UTF-8',
        );
        $safe = 1 === preg_match('#^https?://#Di', $link) ? $escape($link) : '#';
        $paragraphs = array_map(
            static fn(string $paragraph): string => '<p style="margin:0 0 14px">'
                .str_replace(
                    [self::LINK, "\n"],
                    ['<a href="'.$safe.'" style="color:#1F5A4B;font-weight:600">'.$safe.'</a>', '<br>'],
                    $escape(trim($paragraph)),
                )
                .'</p>',
            preg_split('/\n{2,}/', $this->text) ?: [],
        );

        return '<!DOCTYPE html><html lang="'
            .$escape($this->language)
            .'"><head><meta charset="utf-8"><title>'
            .$escape($this->subject)
            .'</title></head><body style="margin:0;background:#FBFAF5"><div style="max-width:560px;margin:0 '
                .'auto;padding:28px 20px;color:#173A32;font:16px/1.5 Figtree,Arial,sans-serif">'
            .implode('', $paragraphs)
            .'</div></body></html>';
    }
}
