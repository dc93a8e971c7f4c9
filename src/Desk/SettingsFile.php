<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Roles\Rules;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Roles\Repository\RuleBooks;
use MintDoor\Roles\RulesCodec;
use MintDoor\Shared\Caller;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Said;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/** What a platform is and what holds in it as one file, to be kept, compared and carried to another platform. */
final readonly class SettingsFile
{
    /** Bytes. */
    public const LONGEST = 1_000_000;

    /** As deep as rows of a level band. */
    private const INLINE_FROM = 5;

    private const INDENT = 2;

    public function __construct(
        private PlatformSettings $settings,
        private RuleBooks $books,
        private SettingsHandler $settingsHandler,
        private RulesHandler $rulesHandler,
    ) {}

    /** Of the settings and of the rules that hold. */
    private function version(): string
    {
        return $this->settings->version().'.'.($this->books->last()->version ?? 0);
    }

    /** As YAML 1.2: members `settings` and `rules`, schemas `Settings` and `Rules`. */
    public function write(): string
    {
        return self::dump(
            $this->settings->read(),
            $this->rulesHandler->asSet(),
        );
    }

    public static function dump(Settings $settings, Rules $rules): string
    {
        return Yaml::dump(
            ['settings' => SettingsCodec::write($settings), 'rules' => RulesCodec::write($rules)],
            self::INLINE_FROM,
            self::INDENT,
            Yaml::DUMP_MULTI_LINE_LITERAL_BLOCK | Yaml::DUMP_EMPTY_ARRAY_AS_SEQUENCE,
        );
    }

    /**
     * A part that the file does not have stays as it is.
     *
     * @throws Problem of type `Invalid` when the text is no such file, or something in it is not understood
     */
    public function read(string $text): SettingsWanted
    {
        try {
            $data = \strlen($text) > self::LONGEST
                ? throw Problem::field('/text', 'too-long', 'desk.settings-file-too-long')
                : Yaml::parse($text, Yaml::PARSE_EXCEPTION_ON_INVALID_TYPE);
        } catch (ParseException $wrong) {
            throw Problem::field(
                '/text',
                'no-yaml',
                Said::with('desk.settings-file-line', line: $wrong->getParsedLine())
            );
        }
        $known = ['settings' => true, 'rules' => true];
        if (!\is_array($data) || [] === $data || [] !== array_diff_key($data, $known)) {
            throw Problem::field('/text', 'not-understood', 'desk.settings-file-has');
        }
        $part = static fn(string $name): ?array => match (true) {
            !isset($data[$name]) => null,
            \is_array($data[$name]) => $data[$name],
            default => throw Problem::field('/text', 'not-understood', 'desk.settings-file-has'),
        };
        $settings = $part('settings');
        $rules = $part('rules');

        return new SettingsWanted(
            null === $settings ? null : $this->settingsHandler->understand($settings),
            null === $rules ? null : $this->rulesHandler->read(new RulesRequest($rules)),
        );
    }

    /** What the file would change. Changes nothing. */
    public function plan(SettingsWanted $wanted): SettingsPlan
    {
        return new SettingsPlan(
            null === $wanted->settings ? null : $this->settingsHandler->preview(
                $wanted->settings,
                $wanted->rules?->roles
            ),
            null === $wanted->rules ? null : $this->rulesHandler->preview($wanted->rules, $wanted->settings),
            $this->otherRules($wanted),
            $this->version(),
        );
    }

    /**
     * Puts the file in force, the settings first. Runs inside a transaction.
     *
     * @param ?IfMatch $seen `SettingsPlan::$version` of the plan that was looked at, held against what holds, under the
     *                       lock; null for a command, which does what its file says
     *
     * @throws Problem of type `NotReady` when one of the two cannot be
     */
    public function apply(SettingsWanted $wanted, Caller $caller, ?IfMatch $seen = null): SettingsPlan
    {
        $this->rulesHandler->lock();
        $this->settingsHandler->lock();
        $seen?->assert($this->version());
        $otherRules = $this->otherRules($wanted);
        $settings = null === $wanted->settings
            ? null
            : $this->settingsHandler->apply($wanted->settings, $caller, null, $wanted->rules?->roles);
        $rules = null === $wanted->rules ? null : $this->rulesHandler->apply($wanted->rules, $caller, null);

        return new SettingsPlan(
            $settings,
            $rules,
            $otherRules,
            $this->version(),
        );
    }

    private function otherRules(SettingsWanted $wanted): bool
    {
        return null !== $wanted->rules
            && RulesCodec::write($wanted->rules) != RulesCodec::write($this->rulesHandler->asSet());
    }
}
