<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Validator\Constraints as Assert;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** How one wants days and numbers written, and by which clock; null for as the browser says. */
final readonly class OwnSettingsRequest
{
    /** BCP 47 tags: the language of the pages, written as in some country. */
    public const LANGUAGES = ['en-GB', 'en-US', 'en-AU', 'en-CA', 'en-IE', 'en-IN', 'en-NZ', 'en-SE', 'en-ZA'];

    public function __construct(
        #[Assert\Choice(choices: self::LANGUAGES, message: 'shared.choose-languages-list')]
        public ?string $language = null,
        #[Assert\Length(max: 64, maxMessage: 'shared.no-such-time-zone')] public ?string $timeZone = null,
    ) {}

    #[Assert\Callback]
    public function check(ExecutionContextInterface $context): void
    {
        if (null !== $this->timeZone && !\in_array($this->timeZone, self::zones(), true)) {
            $context
                ->buildViolation('shared.no-such-time-zone-choose')
                ->atPath('timeZone')
                ->addViolation();
        }
    }

    /** @return list<string> names of the IANA database, also those of before, which browsers still use */
    private static function zones(): array
    {
        return \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC);
    }
}
