"""The job itself, without interface, files or database: `from plimbo.core import Car, Setup, assess`.

Every document, every question, and the setup file.
"""

from plimbo.core.documents import *  # noqa: F403
from plimbo.core.documents import __all__ as _documents
from plimbo.core.documents.document_file import SetupFile, UnreadableFile, read_setup_file, write_setup_file
from plimbo.core.ducting.answers import DuctFlow
from plimbo.core.kinds.usual import TyreKind, Wings
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.cancellation import Cancelled
from plimbo.core.quantities.errors import OutOfRange, OutsideValidity
from plimbo.core.questions.analyse_air import analyse_air
from plimbo.core.questions.analyse_hydraulics import HydraulicsAnalysis, analyse_hydraulics
from plimbo.core.questions.assess import Assessment, assess
from plimbo.core.questions.begin_car import Following, NewCar, begin_car, copy_car, follow_given, usual_choices
from plimbo.core.questions.compare_cylinders import compare_cylinders
from plimbo.core.questions.estimate_uncertainty import Uncertainty, estimate_uncertainty
from plimbo.core.questions.evaluate_measurements import Measurements, evaluate_measurements
from plimbo.core.questions.find_mends import Mends, find_mends
from plimbo.core.questions.fit_cooling import fit_cooling
from plimbo.core.questions.inspect_duct import inspect_duct
from plimbo.core.questions.inspect_heat import HeatInputs, inspect_heat
from plimbo.core.questions.judge_heat import HeatJudgement, judge_heat
from plimbo.core.questions.mend_heat import HeatAdvice, mend_heat
from plimbo.core.questions.plan_changes import plan_changes
from plimbo.core.questions.rank_unmeasured import StillToMeasure, rank_unmeasured
from plimbo.core.questions.read_speed_trace import TraceReading, read_speed_trace
from plimbo.core.questions.simulate_session import SimulatedSession, simulate_session
from plimbo.core.questions.size_duct import size_duct
from plimbo.core.questions.survey import Survey, survey
from plimbo.core.search.cylinders.table import CylinderTable
from plimbo.core.search.ducts.answers import DuctSizing, DuctWorth
from plimbo.core.search.plan.answers import PlanAnswer
from plimbo.core.search.plan.limits import PlanLimits
from plimbo.core.search.plan.work import Work
from plimbo.core.search.session_heat.answers import CoolingFit
from plimbo.core.verdicts.overall import Marks, overall

__all__ = [  # noqa: PLE0604
    *_documents,
    "Cancelled",
    "Assessment",
    "Axle",
    "CoolingFit",
    "CylinderTable",
    "DuctFlow",
    "DuctSizing",
    "DuctWorth",
    "Following",
    "HeatAdvice",
    "HeatInputs",
    "HeatJudgement",
    "HydraulicsAnalysis",
    "Marks",
    "Measurements",
    "Mends",
    "NewCar",
    "OutOfRange",
    "OutsideValidity",
    "PlanAnswer",
    "PlanLimits",
    "Work",
    "SetupFile",
    "SimulatedSession",
    "StillToMeasure",
    "Survey",
    "TraceReading",
    "TyreKind",
    "Uncertainty",
    "UnreadableFile",
    "Wings",
    "analyse_air",
    "analyse_hydraulics",
    "assess",
    "begin_car",
    "compare_cylinders",
    "copy_car",
    "estimate_uncertainty",
    "evaluate_measurements",
    "find_mends",
    "fit_cooling",
    "follow_given",
    "inspect_duct",
    "inspect_heat",
    "judge_heat",
    "mend_heat",
    "overall",
    "plan_changes",
    "rank_unmeasured",
    "read_setup_file",
    "read_speed_trace",
    "simulate_session",
    "size_duct",
    "survey",
    "usual_choices",
    "write_setup_file",
]
