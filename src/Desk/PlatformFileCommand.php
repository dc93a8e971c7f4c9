<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Difference;
use MintDoor\Core\Platform\FieldDifference;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Speech;
use MintDoor\Shared\Transaction;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** What the commands have in common that compare a platform with a file of settings. */
abstract class PlatformFileCommand extends Command
{
    /** Nothing to do. */
    protected const SAME = 0;

    /** The file, or what is in it, cannot be. */
    protected const WRONG = 1;

    /** There is something to do; of `platform:plan` only. */
    protected const DIFFERS = 2;

    public function __construct(
        protected readonly SettingsFile $file,
        protected readonly Transaction $transaction,
        protected readonly CallerProvider $callers,
        private readonly Speech $speech,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument(
            'file',
            InputArgument::REQUIRED,
            'YAML as GET /settings/file gives it; - for standard input'
        );
        $this->addOption('as', null, InputOption::VALUE_REQUIRED, 'Login of the administrator who does it');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $path = $input->getArgument('file');
        $text = \is_string($path) ? @file_get_contents('-' === $path ? 'php://stdin' : $path) : false;
        if (false === $text) {
            $output->writeln('This file cannot be read.');

            return self::WRONG;
        }
        try {
            return $this->with($this->file->read($text), $input, $output);
        } catch (Problem $problem) {
            $output->writeln($this->speech->say($problem->said));
            foreach ($problem->errors as $error) {
                $output->writeln('  '.$this->speech->say($error->said));
            }

            return self::WRONG;
        }
    }

    abstract protected function with(SettingsWanted $wanted, InputInterface $input, OutputInterface $output): int;

    /** What is wrong, or what becomes otherwise: a line each, as a tool may read them. */
    protected function show(SettingsPlan $plan, OutputInterface $output): void
    {
        foreach ($plan->problems() as $problem) {
            $output->writeln(
                \sprintf(
                    '! %s %s %s',
                    $problem['where'],
                    $problem['code'],
                    json_encode($problem['values'], \JSON_THROW_ON_ERROR),
                ),
            );
        }
        foreach ($plan->settings->differences ?? [] as $each) {
            $output->writeln(\sprintf('%s %s %s', self::sign($each), $each->of, $each->which));
            foreach ($each->fields as $field) {
                $output->writeln(self::field($field));
            }
        }
        if ($plan->otherRules) {
            $output->writeln('~ rules');
        }
    }

    private static function sign(Difference $difference): string
    {
        return ['made' => '+', 'changed' => '~', 'gone' => '-'][$difference->how];
    }

    private static function field(FieldDifference $field): string
    {
        $quoted = static fn(string $text): string => json_encode(
            $text,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );

        return \sprintf('    %s: %s -> %s', $field->field, $quoted($field->before), $quoted($field->after));
    }
}
