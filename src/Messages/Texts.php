<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\Template;
use MintDoor\Messages\Repository\Templates;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Shared\Id;
use MintDoor\Shared\Languages;

/**
 * The templates of messages, in each language: a site's own, its division's, the platform's, or those the platform
 * began with.
 */
final readonly class Texts
{
    public function __construct(
        private Templates $templates,
        private Divisions $divisions,
        private FirstTexts $first,
        private Languages $languages,
        private PlatformSettings $settings,
    ) {}

    /**
     * The one that is used.
     *
     * @param ?string $site     id
     * @param ?string $division code
     * @param ?string $language BCP 47, of whoever it goes to
     */
    public function nearest(MessageKind $kind, ?string $site, ?string $division, ?string $language): TextInUse
    {
        $nearest = $this->languages->nearest($language);
        foreach ($this->of($kind, $site, $division) as $scope => $id) {
            $own = $this->templates->own($kind->value, $id, $nearest);
            if (null !== $own) {
                return new TextInUse($this->with($own->subject, $own->body, $division), $scope);
            }
        }
        $first = $this->first->of($kind, $nearest);

        return new TextInUse($this->with($first->subject, $first->body, $division), 'first');
    }

    /** Words with what stands below every letter of a division, by its code. */
    public function with(string $subject, string $body, ?string $division): Template
    {
        $footer = $this->settings->read()->letterheadOf($division)->footer;

        return new Template($subject, $body, $footer, $division);
    }

    /**
     * Whose templates may be used, the nearest first.
     *
     * @return array<'site'|'division'|'platform', string> id by scope
     */
    public function of(MessageKind $kind, ?string $site, ?string $division): array
    {
        $ids = [
            'site' => $site,
            'division' => null === $division ? null : $this->divisions->withCode($division)?->id,
            'platform' => Id::NONE,
        ];

        return array_filter(array_intersect_key($ids, array_flip($kind->scopes())), is_string(...));
    }
}
