<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Translation\TranslatorBagInterface;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Says what the catalogues of `translations/` have, in the language of whoever is answered, or of somebody else. */
final readonly class Speech
{
    private const DOMAIN = 'words';

    public function __construct(
        #[Autowire(service: 'translator')] private TranslatorInterface&TranslatorBagInterface $translator,
    ) {}

    /** @param ?string $language BCP 47; null for that of whoever is answered */
    public function say(string|Said $what, ?string $language = null): string
    {
        $said = Said::of($what);
        $language = null === $language ? null : strtr($language, '-', '_');
        $values = array_map(
            fn(int|string|Said $value): int|string => $value instanceof Said ? $this->say($value, $language) : $value,
            $said->values,
        );

        return $this->translator->trans($this->known($said->key, $language), $values, self::DOMAIN, $language);
    }

    /** Where one of many has no sentence of its own, there is one for all others: "doors.refusal.other". */
    private function known(string $key, ?string $language): string
    {
        $catalogue = $this->translator->getCatalogue($language);
        $other = preg_replace('/[^.]+$/D', 'other', $key) ?? $key;

        return $catalogue->has($key, self::DOMAIN) || !$catalogue->has($other, self::DOMAIN) ? $key : $other;
    }

    /** @return array{pointer: string, code: string, detail: string} what is wrong at a place, as it is answered */
    public function wrong(Wrong $wrong): array
    {
        return ['pointer' => $wrong->pointer, 'code' => $wrong->code, 'detail' => $this->say($wrong->said)];
    }

    /** A problem as it is answered (RFC 9457). */
    public function answer(Problem $problem): Answer
    {
        $errors = array_map($this->wrong(...), $problem->errors);
        $answer = new Answer(
            [
                'type' => 'urn:mint-door:problem:'.$problem->type->value,
                'title' => $this->say('problem.'.$problem->type->value),
                'status' => $problem->type->status(),
                'detail' => $this->say($problem->said),
                ...[] === $errors ? [] : ['errors' => $errors],
                ...$problem->more,
            ],
            $problem->type->status(),
            ['Content-Type' => 'application/problem+json'],
        );
        if (null !== $problem->retryAfter) {
            $answer->headers->set('Retry-After', (string) $problem->retryAfter);
        }

        return $answer;
    }
}
