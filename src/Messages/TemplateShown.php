<?php

declare(strict_types=1);

namespace MintDoor\Messages;

/** The words of a kind of message as they hold somewhere: an item of schema `Templates`. */
final readonly class TemplateShown
{
    /**
     * @param string       $whose        whose words they are: the nearest of site, division and platform
     * @param bool         $own          whether they are those of the place that is looked at
     * @param int          $version      of the own words; 0 where there are none
     * @param list<string> $placeholders what is filled in
     * @param bool         $needsLink    whether the link must stay
     */
    public function __construct(
        public string $kind,
        public string $subject,
        public string $body,
        public string $whose,
        public bool $own,
        public int $version,
        public array $placeholders,
        public bool $needsLink,
    ) {}
}
